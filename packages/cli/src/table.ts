/** Rows with their columns aligned: text to the left, what looks like a number to the right. */
export const table = (rows: readonly (readonly string[])[]): string[] => {
  const widths: number[] = [];
  for (const row of rows) row.forEach((cell, i) => (widths[i] = Math.max(widths[i] ?? 0, cell.length)));
  const numeric = /^[-+$]?[\d,.]+$/;
  return rows.map((row) =>
    row
      .map((cell, i) => (numeric.test(cell) ? cell.padStart(widths[i] ?? 0) : cell.padEnd(widths[i] ?? 0)))
      .join('  ')
      .trimEnd(),
  );
};
