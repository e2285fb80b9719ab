import * as z from 'zod';

/** Length in inches, a multiple of 1/16, up to 1000 ft. */
export const inchesSchema = z
  .number()
  .min(0)
  .max(12_000)
  .multipleOf(1 / 16);

/** Length of a run in inches, a multiple of 1/16: up to what lies between any two coordinates along the axes. */
export const runInchesSchema = z
  .number()
  .min(0)
  .max(200_000)
  .multipleOf(1 / 16);

/** Volume in ten-thousandths of a cubic inch, so that sums are exact. 20.0 in³ = 200000. */
export const volumeSchema = z.int().min(0).max(100_000_000);

/** A coordinate in inches, a multiple of 1/16, within 1000 ft either way. */
export const coordinateSchema = z
  .number()
  .min(-12_000)
  .max(12_000)
  .multipleOf(1 / 16);

/** Money in ten-thousandths of a dollar, so that sums are exact. */
export const moneySchema = z.int().min(0).max(1_000_000_000_000);

/** Ten-thousandths of a dollar as it is written: $1,204.50. */
export const dollars = (money: number): string =>
  `${money < 0 ? '−' : ''}$${Math.abs(money / 10_000).toLocaleString('en-US', { minimumFractionDigits: 2, maximumFractionDigits: 2 })}`;

/** Volts of a lighting branch circuit to ground. */
export const BRANCH_VOLTS = 120;

/** Conductor size, American Wire Gauge. */
export const awgSchema = z.union([
  z.literal(18),
  z.literal(16),
  z.literal(14),
  z.literal(12),
  z.literal(10),
  z.literal(8),
  z.literal(6),
]);
export type Awg = z.infer<typeof awgSchema>;

/** Ten-thousandths of a cubic inch as the trade writes it: at least one decimal, at most four. */
export const cubicInches = (volume: number): string => {
  const [whole, fraction = ''] = (volume / 10_000).toFixed(4).split('.');
  return `${whole}.${fraction.replace(/0+$/, '').padEnd(1, '0')} in³`;
};

/** Inches as feet and inches: 102 is 8'-6", 8.5 is 8 1/2". Sixteenths are reduced. */
export const feetInches = (inches: number): string => {
  const sixteenths = Math.round(inches * 16);
  const feet = Math.floor(sixteenths / 192);
  const whole = Math.floor((sixteenths % 192) / 16);
  let over = sixteenths % 16;
  let under = 16;
  while (over > 0 && over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  const fraction = over > 0 ? ` ${over}/${under}` : '';
  return feet > 0 ? `${feet}'-${whole}${fraction}"` : `${whole}${fraction}"`;
};

/**
 * Reads a length as it is written on site: 8'-6", 8' 6 1/2", 8-6, 8ft 6in, 8 1/2 ft, 8.5', 102", 102in, 8 (feet), 8 1/2 (feet); and 2.59 m,
 * 259 cm, 2590 mm for who must. A bare number is feet, and the second of a pair inches.
 * Gives inches rounded to 1/16, or null where it is not a length from 0 to 1000 ft.
 */
export const parseFeetInches = (text: string): number | null => {
  const metric = /^(\d+(?:[.,]\d+)?)\s*(m|cm|mm)$/.exec(text.trim().toLowerCase());
  if (metric) {
    const [, amount = '', unit = 'm'] = metric;
    const millimetres =
      Number(amount.replace(',', '.')) * { m: 1000, cm: 10, mm: 1 }[unit as 'm' | 'cm' | 'mm'];
    return taken(millimetres / MM_OF_INCH);
  }
  const cleaned = text
    .trim()
    .toLowerCase()
    .replace(/(?<=\d)\s*(?:[’′']|(?:ft|feet|foot)(?![a-z])\.?)/g, "'")
    .replace(/(?<=\d)\s*(?:[”″]|''|(?:in|inch|inches)(?![a-z])\.?)/g, '"');
  const pair = /^(\d+)(?:\s*-\s*|'\s*-?\s*)(\d+(?:\.\d+)?(?:\s+\d+\/\d+)?|\d+\/\d+)$/.exec(cleaned);
  if (pair) return parseFeetInches(`${pair[1]}' ${pair[2]}"`);
  const mixed =
    /^(\d+)?\s*(?:(?<=^|\s)(\d+)\/(\d+))\s*'$/.exec(cleaned) ?? /^(\d+)\s+(\d+)\/(\d+)$/.exec(cleaned);
  if (mixed) {
    const [, whole = '0', over = '0', under = '1'] = mixed;
    return Number(under) === 0 ? null : parseFeetInches(String(Number(whole) + Number(over) / Number(under)));
  }
  const amount = String.raw`(\d+(?:\.\d+)?)?(?:(?:^|\s+|(?<=['-]))(\d+)\/(\d+))?`;
  const match =
    /^(\d+(?:\.\d+)?)\s*'?$/.exec(cleaned) ??
    new RegExp(String.raw`^(?:(\d+(?:\.\d+)?)\s*')?\s*-?\s*(?:${amount}\s*")?$`).exec(cleaned);
  if (!match || cleaned === '') return null;
  const [, feet, whole, over, under] = match;
  if (feet === undefined && whole === undefined && over === undefined) return null;
  if (under !== undefined && Number(under) === 0) return null;
  const inches =
    Number(feet ?? 0) * 12 + Number(whole ?? 0) + (over === undefined ? 0 : Number(over) / Number(under));
  return taken(inches);
};

const MM_OF_INCH = 25.4;

/** Inches to the sixteenth; null where they are no length of the job. */
const taken = (inches: number): number | null => {
  const rounded = Math.round(inches * 16) / 16;
  return inchesSchema.safeParse(rounded).success ? rounded : null;
};
