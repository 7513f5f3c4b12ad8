import { CommonActions, createNavigationContainerRef } from '@react-navigation/native';
import type { RootParamList } from './types';

export const navigationRef = createNavigationContainerRef<RootParamList>();

/** For code that has no screen: notices, timers. */
export function open(name: string, params?: object) {
  if (navigationRef.isReady()) {
    navigationRef.dispatch(CommonActions.navigate(name, params));
  }
}
