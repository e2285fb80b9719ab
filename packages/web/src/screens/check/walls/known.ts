import {
  feetInches,
  homographyOf,
  lieAlike,
  seenAt,
  type Homography,
  type Pair,
  type SiteRecord,
  type Spot,
  type WallFace,
} from '@amber/core';

/** A point of a wall that the plan knows: a corner, or the middle of a box. Inches from the left end and above the floor. */
export interface Known {
  id: string;
  words: string;
  at: Spot;
}

export const knownPoints = ({ length, height, boxes }: WallFace): Known[] => [
  { id: 'lower left', words: 'Lower left corner', at: { x: 0, y: 0 } },
  { id: 'upper left', words: 'Upper left corner', at: { x: 0, y: height } },
  { id: 'upper right', words: 'Upper right corner', at: { x: length, y: height } },
  { id: 'lower right', words: 'Lower right corner', at: { x: length, y: 0 } },
  ...boxes.map(({ id, name, at }) => ({ id: `box ${id}`, words: `Middle of ${name}`, at })),
];

/** The four that are asked for first. */
export const FIRST_FOUR = ['lower left', 'upper left', 'upper right', 'lower right'] as const;

/** A point of the picture, as parts of its width and height, and the point of the wall that is seen there. */
export interface Placed {
  known: Known;
  at: Spot;
}

/** Both planes are scaled to about one, so that the reckoning stays exact. */
const scaled = ({ length, height }: WallFace, { x, y }: Spot): Spot => ({ x: x / length, y: y / height });

const pairsOf = (face: WallFace, placed: readonly Placed[]): Pair[] =>
  placed.map(({ known, at }): Pair => [scaled(face, known.at), at]);

/** Where points of the wall are in the picture, and the other way round; or in a sentence why nobody can say. */
export const viewOf = (
  face: WallFace,
  placed: readonly Placed[],
):
  | { ok: true; toPicture: (at: Spot) => Spot | null; toWall: (at: Spot) => Spot | null }
  | { ok: false; said: string } => {
  if (placed.length < 4) return { ok: false, said: 'Four points are wanted.' };
  const pairs = pairsOf(face, placed);
  const there = homographyOf(pairs);
  const back = homographyOf(pairs.map(([wall, picture]): Pair => [picture, wall]));
  if (!there || !back || !lieAlike(pairs))
    return {
      ok: false,
      said: 'The four points do not lie in the picture as they do on the wall. See that none is taken for another, and that no three are in a line.',
    };
  return {
    ok: true,
    toPicture: (at) => seenAt(there, scaled(face, at)),
    toWall: (at) => {
      const seen = seenAt(back, at);
      return seen && { x: seen.x * face.length, y: seen.y * face.height };
    },
  };
};

/** The points of a photograph that is on record. */
export const placedOf = (record: SiteRecord): Placed[] => {
  const points = record.body['points'];
  return (
    Array.isArray(points) ? (points as { x: number; y: number; along: number; height: number }[]) : []
  ).map(({ x, y, along, height }, i) => ({
    known: { id: String(i), words: '', at: { x: along, y: height } },
    at: { x, y },
  }));
};

/** "4'-2" from the left end, 3'-1" above the floor", to the half inch. */
export const sayPoint = ({ x, y }: Spot): string => {
  const half = (value: number) => feetInches(Math.round(Math.max(0, value) * 2) / 2);
  return `${half(x)} from the left end, ${half(y)} above the floor`;
};

/** The transform by which a picture of this many pixels lies flat on the wall at a scale; null where its points do not say how. */
export const flattening = (
  face: WallFace,
  placed: readonly Placed[],
  picture: { width: number; height: number },
  scale: number,
): string | null => {
  const pairs = placed.map(({ known, at }): Pair => [
    { x: at.x, y: at.y },
    { x: known.at.x / face.length, y: 1 - known.at.y / face.height },
  ]);
  const flat: Homography | null = homographyOf(pairs);
  if (!flat) return null;
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, i = 1] = flat;
  const [w, t] = [face.length * scale, face.height * scale];
  const { width, height } = picture;
  // From pixels of the picture to parts of it, by its view to parts of the wall, to pixels of the wall; columns as CSS wants them.
  const columns = [
    [(a * w) / width, (d * t) / width, 0, g / width],
    [(b * w) / height, (e * t) / height, 0, h / height],
    [0, 0, 1, 0],
    [c * w, f * t, 0, i],
  ];
  return `matrix3d(${columns.flat().join(',')})`;
};
