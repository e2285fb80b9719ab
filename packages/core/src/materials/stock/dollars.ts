/** Ten-thousandths of a dollar, as prices are kept. All prices of the stock are made-up round figures. */
export const dollarsOf = (amount: number): number => Math.round(amount * 10_000);
