export const NAMES = {
  item: 'Item',
  repair: 'Repair',
  rules: 'Rules',
  signIn: 'SignIn',
  waitingList: 'WaitingList',
} as const;
