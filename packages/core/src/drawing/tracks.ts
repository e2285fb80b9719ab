/**
 * A wire in a channel between two rows: where it comes in from above and where it goes on below, or two places on one side. A wire
 * that goes straight down has the same place twice.
 */
export interface ChannelWire {
  ups: readonly number[];
  downs: readonly number[];
}

/** Room between the ends of two pieces that share a track. */
const MARGIN = 12;
/** Up to this far aside a wire slants, and needs no track. */
export const SLANT = 8;

const spanOf = ({ ups, downs }: ChannelWire): readonly [number, number] => {
  const all = [...ups, ...downs];
  return [Math.min(...all), Math.max(...all)];
};

const isStraight = (wire: ChannelWire): boolean => {
  const [low, high] = spanOf(wire);
  return high - low <= SLANT;
};

/**
 * The track of each wire, 0 the topmost; null for one that needs none. Of wires that go right the rightmost lies highest, of those that
 * go left the leftmost: so two of them cross only where their order above is not their order below (channel routing). Those that
 * turn back lie nearest to their side, the shortest nearest.
 */
export const tracksOf = (wires: readonly ChannelWire[]): { tracks: (number | null)[]; count: number } => {
  const rank = ({ ups: [up], downs: [down] }: ChannelWire): readonly [number, number] => {
    if (down === undefined) return [0, 0];
    if (up === undefined) return [3, 0];
    return down > up ? [1, -up] : [2, up];
  };
  const length = (wire: ChannelWire) => {
    const [low, high] = spanOf(wire);
    return high - low;
  };
  const order = wires
    .map((wire, i) => ({ wire, i, rank: rank(wire) }))
    .filter(({ wire }) => !isStraight(wire))
    .sort((a, b) => {
      if (a.rank[0] !== b.rank[0]) return a.rank[0] - b.rank[0];
      if (a.rank[0] === 0) return length(a.wire) - length(b.wire);
      if (a.rank[0] === 3) return length(b.wire) - length(a.wire);
      return a.rank[1] - b.rank[1];
    });
  const tracks = wires.map((): number | null => null);
  let count = 0;
  order.forEach(({ wire, i }, place) => {
    const [low, high] = spanOf(wire);
    let track = 0;
    for (const earlier of order.slice(0, place)) {
      const [from, to] = spanOf(earlier.wire);
      if (from < high + MARGIN && low < to + MARGIN) track = Math.max(track, (tracks[earlier.i] ?? 0) + 1);
    }
    tracks[i] = track;
    count = Math.max(count, track + 1);
  });
  return { tracks, count };
};
