const log: string[] = [];

export const loansOf = (member: string) => [{ id: 'l1', title: `Digger for ${member}` }];
export const borrow = async (itemId: string, branch: string) => ({ id: `${branch}-${itemId}` });

export async function giveBack(loanId: string, condition: string) {
  log.push(`Loan ${loanId}: ${condition}`);
}
