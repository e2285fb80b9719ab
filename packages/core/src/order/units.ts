/** Feet as a list says them: whole, or to the half or tenth that a cut has; never more than was meant. */
export const feetWord = (feet: number): string => String(Math.round(feet * 100) / 100);
