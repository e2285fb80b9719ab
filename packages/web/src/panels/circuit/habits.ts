import type { Preferences } from '@amber/core';

/** Habits that are one of a few words, with the words and what speaks for each school; the first of each is the usual one. */
export const HABITS: {
  [K in keyof Preferences]?: {
    label: string;
    why: string;
    words: Partial<Record<Preferences[K] & string, string>>;
  };
} = {
  connectors: {
    label: 'Connectors',
    why: 'Levers open again and show every wire; push-ins are quickest and smallest; twist-ons cost least and hold mixed sizes.',
    words: { lever: 'lever', pushIn: 'push-in', twistOn: 'twist-on' },
  },
  preTwist: {
    label: 'Before a twist-on',
    why: 'What the listing says is what was tested. Some twist first, so that the wires hold before the connector does; where its instructions forbid that, they win.',
    words: { asInstructed: 'as its instructions say', always: 'twist the wires first' },
  },
  groundConnectors: {
    label: 'Connectors for grounds',
    why: 'A green twist-on lets one ground pass through its end as the tail; a crimp sleeve stays for good. Both are for grounds only.',
    words: { same: 'the same', groundingTwistOn: 'green twist-on with a tail hole', crimp: 'crimp sleeve' },
  },
  groundTail: {
    label: 'Ground tail',
    why: 'A tail of its own can be replaced; one ground left long is a splice end fewer, and asks for a connector made for it.',
    words: { pigtail: 'a tail of its own', leftLong: 'one ground left long' },
  },
  groundTailColour: {
    label: 'Ground tails are',
    why: 'Bare is what the cable has; green, insulated, touches no hot screw in a crowded box.',
    words: { bare: 'bare', green: 'green, insulated' },
  },
  boxGround: {
    label: 'Ground of a steel box',
    why: 'A tail to the screw stays when the splice is opened; looped on its way, the ground needs no tail, and the box hangs on that one wire.',
    words: { tail: 'a tail to its screw', looped: 'one ground looped round its screw' },
  },
  boxBonding: {
    label: 'Devices in steel boxes',
    why: 'Tails do not rest on the yoke; a yoke that is listed for it needs none, as long as its screws are tight.',
    words: {
      pigtails: 'a ground tail to each',
      selfGroundingYoke: 'grounded by their yokes',
      both: 'a tail to each, and their yokes too',
    },
  },
  reidentify: {
    label: 'A white that is hot is marked',
    why: 'Black is the usual hot; red tells a traveler or a leg from a feed; a marker cannot be lost, and is harder to see.',
    words: { black: 'black tape', red: 'red tape', marker: 'black marker' },
  },
  unusedNeutral: {
    label: 'A neutral kept for later, under a twist-on',
    why: 'Unstripped it cannot touch anything; stripped it is ready for the control that comes.',
    words: { unstripped: 'capped unstripped', stripped: 'stripped and capped' },
  },
  tailsFirst: {
    label: 'Tails of a device',
    why: 'In the splice first, the device is hung last; on the device first, screws are tightened outside the box.',
    words: { splice: 'in the splice first', device: 'on the device before it meets the box' },
  },
  deviceLanding: {
    label: 'Wires on a device',
    why: 'A hook is seen to hold; a clamp is quicker and takes two wires where it is listed to.',
    words: { hook: 'hooked under the screw', clamp: 'pushed under the clamp' },
  },
  firstOnDevice: {
    label: 'First on a device',
    why: 'Ground first, the device is safe before anything else is on; hots first, they have the room.',
    words: { ground: 'the ground', hots: 'the hots' },
  },
  singlePoleLanding: {
    label: 'A plain single-pole',
    why: 'Load on top, every single-pole of the house reads alike. To the current it is the same.',
    words: { loadOnTop: 'load on the upper screw', any: 'no matter' },
  },
  travelers: {
    label: 'Travelers',
    why: 'The same colour on the same side makes both-up the lit position. To the current it is the same.',
    words: { sameSide: 'each on the same side at every switch', any: 'on either brass screw' },
  },
  switchUp: {
    label: 'Three- and four-ways sit',
    why: 'All the same way up, both handles up tells the same at each; the circuit does not mind.',
    words: { alike: 'all the same way up', any: 'no matter' },
  },
  deviceTape: {
    label: 'Tape round the screws',
    why: 'Tape keeps a screw off a steel box or a ground; it hides the screws from the next who looks.',
    words: { none: 'none', wrapped: 'one or two wraps' },
  },
  receptacles: {
    label: 'What goes on from a receptacle',
    why: 'On tails a receptacle that fails does not cut what lies beyond it; through its screws there is a splice fewer.',
    words: { pigtailed: 'from splices, the receptacle on tails', through: 'through its screws' },
  },
  wideCable: {
    label: 'Cable of four conductors',
    why: 'Four conductors in one cable save a run where travelers and a leg go the same way; not every truck has it.',
    words: { any: 'where it is best', none: 'not in the truck: never' },
  },
  madeUp: {
    label: 'Boxes are made up',
    why: 'Some authorities want the grounds made up before the wall is closed; made up after, no plaster gets into the boxes.',
    words: { afterCheck: 'after the rough-in check', beforeCheck: 'before the rough-in check' },
  },
  boxOrder: {
    label: 'Order of the boxes',
    why: 'From the feed each box is joined to what is known; from the luminaire back the live end comes last.',
    words: { fromFeed: 'from the feed outwards', fromLuminaire: 'from the luminaire back' },
  },
  switchLegs: {
    label: 'Switch legs',
    why: 'As it comes costs nothing; tagged at both ends, nobody has to trace it later.',
    words: { asItComes: 'whatever colour the cable gives', tagged: 'tagged at both ends' },
  },
  plasticLuminaire: {
    label: 'Ground where a luminaire has none',
    why: 'Capped and folded back there is nothing in the way; a tail left is ready for a luminaire of metal.',
    words: { capped: 'capped and folded back', pigtailLeft: 'a tail left for a later luminaire' },
  },
};
