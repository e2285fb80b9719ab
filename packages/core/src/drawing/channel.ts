/**
 * Channel routing: wires between cable ports on the outer edge of a channel and pins on its inner edge, each with one
 * vertical on a track. Ports and pins lie on rows that never coincide, so two horizontals never overlap.
 */
export interface ChannelWire {
  /** Height at which it enters from the outer edge; null where both ends are pins on the inner edge. */
  outer: number | null;
  /** Heights of its pins on the inner edge: one, or two where `outer` is null. */
  inner: readonly [number] | readonly [number, number];
}

const spanOf = (wire: ChannelWire): [number, number] => {
  const heights = [...(wire.outer === null ? [] : [wire.outer]), ...wire.inner];
  return [Math.min(...heights), Math.max(...heights)];
};

const within = (height: number, [low, high]: [number, number]) => height > low && height < high;

/** Crossings of two wires, `a` on a track further out than `b`. */
const crossingsOfPair = (a: ChannelWire, b: ChannelWire): number => {
  // a's horizontals to the inner edge pass b's vertical; b's horizontal to the outer edge passes a's vertical.
  const past = a.inner.filter((height) => within(height, spanOf(b))).length;
  return past + (b.outer !== null && within(b.outer, spanOf(a)) ? 1 : 0);
};

/** Crossings of a channel whose tracks, from the outer edge inwards, hold the wires in this order. */
export const countCrossings = (wires: readonly ChannelWire[], order: readonly number[]): number => {
  let sum = 0;
  order.forEach((i, place) => {
    for (const j of order.slice(place + 1)) {
      const [a, b] = [wires[i], wires[j]];
      if (a && b) sum += crossingsOfPair(a, b);
    }
  });
  return sum;
};

/** Rising wires: the topmost furthest out. Falling ones: the topmost furthest in. Pin to pin: innermost. */
const firstOrder = (wires: readonly ChannelWire[]): number[] => {
  const rank = (wire: ChannelWire) => (wire.outer === null ? 2 : wire.inner[0] < wire.outer ? 0 : 1);
  const key = (wire: ChannelWire) => (rank(wire) === 1 ? -wire.inner[0] : wire.inner[0]);
  return wires
    .map((wire, i) => ({ wire, i }))
    .sort((a, b) => rank(a.wire) - rank(b.wire) || key(a.wire) - key(b.wire))
    .map(({ i }) => i);
};

/** Takes each wire out and puts it where it crosses least, until nothing improves. */
const improve = (wires: readonly ChannelWire[], start: readonly number[]): number[] => {
  let order = [...start];
  let best = countCrossings(wires, order);
  for (let improved = true; improved && best > 0;) {
    improved = false;
    for (const wire of [...order]) {
      const rest = order.filter((one) => one !== wire);
      for (let place = 0; place <= rest.length; place++) {
        const tried = [...rest.slice(0, place), wire, ...rest.slice(place)];
        const crossings = countCrossings(wires, tried);
        if (crossings < best) {
          best = crossings;
          order = tried;
          improved = true;
        }
      }
    }
  }
  return order;
};

/** Room between the ends of two verticals that share a track. */
const TRACK_MARGIN = 12;

export interface Routing {
  /** Track of each wire; 0 is the outermost. */
  tracks: number[];
  trackCount: number;
  crossings: number;
}

/** Gives every wire a track, with few crossings and as few tracks as their order allows. */
export const routeChannel = (wires: readonly ChannelWire[], thorough = true): Routing => {
  const first = firstOrder(wires);
  const order = thorough ? improve(wires, first) : first;
  const tracks = wires.map(() => 0);
  order.forEach((i, place) => {
    const mine = wires[i];
    if (!mine) return;
    const [low, high] = spanOf(mine);
    for (const j of order.slice(0, place)) {
      const other = wires[j];
      if (!other) continue;
      const [from, to] = spanOf(other);
      if (from < high + TRACK_MARGIN && low < to + TRACK_MARGIN)
        tracks[i] = Math.max(tracks[i] ?? 0, (tracks[j] ?? 0) + 1);
    }
  });
  return {
    tracks,
    trackCount: Math.max(0, ...tracks.map((track) => track + 1)),
    crossings: countCrossings(wires, order),
  };
};
