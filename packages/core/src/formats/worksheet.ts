import * as z from 'zod';
import { boxContentsSchema } from '../model/contents.js';
import { judgedEditionSchema, type Job } from '../model/job.js';
import { nameSchema } from '../model/place.js';
import { volumeSchema, type Awg } from '../model/units.js';
import { offersOfStock, boxFor, type BoxOffer } from '../materials/boxChoice.js';
import { boxFill, type BoxFill } from '../nec/boxFill.js';
import { fault, readDocument, versionOf, type Read } from './documents.js';

export const WORKSHEET_FORMAT = 1;

/**
 * A box-fill worksheet that stands alone: what is in one box, and the marked volumes of the box and of what is put on it.
 * Volumes are ten-thousandths of a cubic inch.
 */
export const worksheetSchema = z.strictObject({
  worksheet: z.literal(WORKSHEET_FORMAT),
  name: nameSchema,
  /** The edition that it is reckoned by; an older one for what stands already. */
  edition: judgedEditionSchema,
  /** The box first, then rings and extensions. */
  sections: z
    .array(z.strictObject({ name: nameSchema, volume: volumeSchema }))
    .min(1)
    .max(5),
  contents: boxContentsSchema,
});
export type Worksheet = z.infer<typeof worksheetSchema>;

/** Is this document meant as a worksheet, sound or not? */
export const isWorksheet = (document: unknown): boolean => versionOf(document, 'worksheet') !== null;

/** Checks a parsed worksheet, its version first. */
export const readWorksheet = (document: unknown): Read<Worksheet> => {
  const version = versionOf(document, 'worksheet') ?? 0;
  if (version > WORKSHEET_FORMAT)
    return fault(
      'worksheet',
      `This worksheet has format ${version}; this program reads up to ${WORKSHEET_FORMAT}. Open it with a later version of the program.`,
    );
  return readDocument(worksheetSchema, document);
};

/** The fill of a worksheet, line by line (314.16). Volumes of sections add. */
export const worksheetFill = ({ sections, contents, edition }: Worksheet): BoxFill =>
  boxFill(
    sections.reduce((sum, one) => sum + one.volume, 0),
    contents,
    edition,
  );

/** What of a worksheet is counted by size: how many there are, and the list with another number of them. */
export const WORKSHEET_SIZES = [14, 12, 10] as const satisfies readonly Awg[];

/** Things in a box that are counted, each by its size. */
export type WorksheetCount = 'conductors' | 'grounds' | 'fixtureWires' | 'yokes';

export const countOf = ({ contents }: Pick<Worksheet, 'contents'>, what: WorksheetCount, awg: Awg): number =>
  what === 'yokes'
    ? contents.yokes.filter((one) => one.awg === awg).length
    : contents[what].filter((one) => one === awg).length;

/** The worksheet with so many of one size; never fewer than none. Of devices each takes one gang. */
export const withCount = (sheet: Worksheet, what: WorksheetCount, awg: Awg, count: number): Worksheet => {
  const so = Math.max(0, Math.min(what === 'yokes' ? 20 : 200, count));
  const { contents } = sheet;
  const more =
    what === 'yokes'
      ? {
          yokes: [
            ...contents.yokes.filter((one) => one.awg !== awg),
            ...Array.from({ length: so }, () => ({ gangs: 1, awg })),
          ],
        }
      : { [what]: [...contents[what].filter((one) => one !== awg), ...Array<Awg>(so).fill(awg)] };
  return { ...sheet, contents: { ...contents, ...more } };
};

/** An empty worksheet of a box of 18 in³, by the latest edition that was verified. */
export const newWorksheet = (name: string): Worksheet =>
  worksheetSchema.parse({
    worksheet: WORKSHEET_FORMAT,
    name,
    edition: 2023,
    sections: [{ name: 'Box', volume: 180_000 }],
    contents: {},
  });

/** The smallest box that holds a worksheet, of plastic and of steel; null where none of the stock does. */
export interface SmallestBoxes {
  nonmetallic: BoxOffer | null;
  steel: BoxOffer | null;
}

/** Of the boxes of a stock, with rings, the smallest for as many devices as the worksheet has. */
export const smallestForWorksheet = (
  { contents, edition }: Worksheet,
  stock: Job['stock'],
): SmallestBoxes => {
  const gangs = contents.yokes.reduce((sum, one) => sum + one.gangs, 0);
  const bySize = [...offersOfStock(stock)]
    .filter((offer) => offer.gangs === gangs)
    .sort((a, b) => a.volume - b.volume || a.price - b.price);
  const of = (metal: boolean) =>
    boxFor(
      bySize.filter(({ articles: [base] }) => base?.metal === metal),
      contents,
      edition,
    );
  return { nonmetallic: of(false), steel: of(true) };
};
