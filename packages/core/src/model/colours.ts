import * as z from 'zod';

/** Colours of insulation that are met in a box. New cable brings black, white, red and blue only. */
export const HUES = [
  'black',
  'white',
  'red',
  'blue',
  'yellow',
  'orange',
  'brown',
  'purple',
  'pink',
  'gray',
  'green',
] as const;
export const hueSchema = z.enum(HUES);
export type Hue = z.infer<typeof hueSchema>;

/** Conductors of one cable or raceway that look alike are told apart by a number: black, black-2, black-3. */
export const insulatedColourSchema = z.templateLiteral([hueSchema, z.enum(['', '-2', '-3'])]);
export type InsulatedColour = z.infer<typeof insulatedColourSchema>;

/**
 * Which conductor of a cable is meant. `bare` is the bare equipment grounding conductor; `raceway` is the metal of a
 * raceway that serves as one.
 */
export const colourSchema = z.union([insulatedColourSchema, z.literal(['bare', 'raceway'])]);
export type Colour = z.infer<typeof colourSchema>;

/** What one sees of a conductor, its number left out. */
export const hueOf = (colour: Colour): Hue | 'bare' | 'raceway' => {
  const number = colour.indexOf('-');
  return (number < 0 ? colour : colour.slice(0, number)) as Hue | 'bare' | 'raceway';
};

/** White and gray are for grounded conductors; anything else of these is a hot that has to be marked (200.6, 200.7). */
export const isNeutralColour = (colour: Colour): boolean => ['white', 'gray'].includes(hueOf(colour));

/** Green and bare are for equipment grounds alone; green of these sizes is never marked into a hot (250.119). */
export const isGroundColour = (colour: Colour): boolean =>
  ['green', 'bare', 'raceway'].includes(hueOf(colour));

/** What a white is marked with where it is a hot: any colour but white, gray and green (200.7(C)(1)). */
export const MARK_COLOURS = ['black', 'red', 'blue', 'yellow', 'orange', 'brown', 'purple', 'pink'] as const;
export const markColourSchema = z.enum(MARK_COLOURS);
