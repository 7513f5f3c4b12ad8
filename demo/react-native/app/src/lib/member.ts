let member: string | null = null;

export const useMember = () => member;
export const signIn = (card: string) => {
  member = card;
};
export const signOut = () => {
  member = null;
};
