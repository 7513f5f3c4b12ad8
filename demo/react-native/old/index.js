import { AppRegistry } from 'react-native';
import Desk from './src/Desk';

AppRegistry.registerComponent('borrowbarn-desk', () => Desk);
