import * as z from 'zod';
import { hueSchema } from './colours.js';
import { awgSchema } from './units.js';

/** Where something sits on the face of a device, seen from the front with the handle upright, and what is marked there. */
const spot = {
  side: z.enum(['left', 'right']),
  /** Of its middle on the body, percent from the top. */
  height: z.int().min(0).max(100),
  /** The word that is really on the device beside it; null where there is none. */
  marked: z.string().min(1).max(10).nullable().default(null),
};

/** What a wire meets at a device: a screw, or a lead of the device itself, which is spliced. */
export const facePartSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('screw'),
    colour: z.enum(['brass', 'dark', 'silver', 'green']),
    ...spot,
  }),
  z.strictObject({
    kind: z.literal('lead'),
    colour: z.union([hueSchema, z.literal('bare')]),
    awg: awgSchema,
    ...spot,
  }),
]);
export type FacePart = z.infer<typeof facePartSchema>;
export type ScrewColour = Extract<FacePart, { kind: 'screw' }>['colour'];

/** Percent of a body below and above which a screw is said to be high or low. */
const HIGH_BELOW = 38;
const LOW_ABOVE = 62;

/** "high at the left", "low at the right", "in the middle at the right": the same in picture, steps and tables. */
export const placeOnFace = ({ side, height }: Pick<FacePart, 'side' | 'height'>): string =>
  `${height < HIGH_BELOW ? 'high' : height > LOW_ABOVE ? 'low' : 'in the middle'} at the ${side}`;

/** What tells one screw or lead of a device from every other. */
export const tellsApart = (part: FacePart): string =>
  [part.kind, part.colour, part.marked ?? '', placeOnFace(part)].join(' ');

/** Shares of the body between two screws of one side, so that they can be drawn and told apart. */
const LEAST_BETWEEN = 12;

/** What is wrong with a face: two parts of it at one place, or that nothing tells apart; null where nothing is. */
export const faultOfFace = (
  terminals: readonly { name: string; face: FacePart }[],
): { at: number; message: string } | null => {
  for (const [i, a] of terminals.entries())
    for (const b of terminals.slice(0, i)) {
      if (a.face.side === b.face.side && Math.abs(a.face.height - b.face.height) < LEAST_BETWEEN)
        return {
          at: i,
          message: `"${a.name}" and "${b.name}" sit at one place of the face; set them ${LEAST_BETWEEN} percent of its height apart`,
        };
      if (tellsApart(a.face) === tellsApart(b.face))
        return {
          at: i,
          message: `nothing tells "${a.name}" from "${b.name}" on the face: give them another colour, marked word or place`,
        };
    }
  return null;
};
