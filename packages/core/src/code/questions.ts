import type { BoxId } from '../model/ids.js';
import { PURPOSES, type Job } from '../model/job.js';
import { ROOM_KINDS, type RoomKind } from '../model/place.js';

type List = 'rooms' | 'boxes' | 'circuits' | 'luminaires' | 'feeds';

/** A fact that only people can know: where it is kept, what may be answered, and why it is asked. */
interface Asked {
  list: List;
  field: string;
  text: (name: string) => string;
  why: string;
  options: readonly (readonly [value: string | number, words: string])[];
}

const YES_NO = [
  ['yes', 'Yes'],
  ['no', 'No'],
] as const;

/** Kinds of rooms as they are told to people. */
export const ROOM_WORDS: Record<RoomKind, string> = {
  habitable: 'Habitable room, other',
  bedroom: 'Bedroom',
  living: 'Living, family or recreation room',
  dining: 'Dining room',
  kitchen: 'Kitchen',
  laundry: 'Laundry',
  closet: 'Closet',
  bathroom: 'Bathroom',
  hallway: 'Hallway',
  stairway: 'Stairway',
  storage: 'Storage, utility or workshop',
  garage: 'Garage',
  outdoors: 'Outdoors',
  unknown: 'Not answered: taken as habitable',
};

const PURPOSE_WORDS: Record<(typeof PURPOSES)[number], string> = {
  lighting: 'Lighting only',
  general: 'General receptacles and lighting',
  smallAppliance: 'Kitchen, dining or pantry receptacles',
  bathroom: 'Bathroom receptacles',
  laundry: 'Laundry receptacles',
  garage: 'Garage receptacles',
  other: 'Something else',
};

/** Every fact that rules ask for, by its kind. */
const ASKED = {
  'room.kind': {
    list: 'rooms',
    field: 'kind',
    text: (name) => `What kind of room is ${name}?`,
    why: 'Neutrals at switches, arc-fault protection and required lights hang on it. Until it is answered the strictest is taken.',
    options: ROOM_KINDS.filter((kind) => kind !== 'unknown').map((kind) => [kind, ROOM_WORDS[kind]] as const),
  },
  'room.wholeFloorVisible': {
    list: 'rooms',
    field: 'wholeFloorVisible',
    text: (name) => `Is the whole floor of ${name} visible from the switches?`,
    why: 'It decides at how many of its switches a neutral is asked for.',
    options: YES_NO,
  },
  'room.risers': {
    list: 'rooms',
    field: 'risers',
    text: (name) => `How many risers has ${name} between two floors?`,
    why: 'From six on a switch is asked for at each floor.',
    options: [
      [5, 'Five or fewer'],
      [6, 'Six or more'],
    ],
  },
  'room.otherLight': {
    list: 'rooms',
    field: 'otherLight',
    text: (name) => `Has ${name} a light with a wall switch already?`,
    why: 'The room is to have one; this job switches none there.',
    options: YES_NO,
  },
  'box.accessible': {
    list: 'boxes',
    field: 'accessible',
    text: (name) => `Can another cable reach ${name} later without opening the wall?`,
    why: 'Where it can, no neutral is asked for at the switch.',
    options: YES_NO,
  },
  'box.staysAccessible': {
    list: 'boxes',
    field: 'staysAccessible',
    text: (name) => `Does ${name} stay accessible when the building is finished?`,
    why: 'A box with splices may not be buried.',
    options: YES_NO,
  },
  'box.location': {
    list: 'boxes',
    field: 'location',
    text: (name) => `Is ${name} in a dry, damp or wet place?`,
    why: 'Boxes, covers and luminaires are made for one or the other.',
    options: [
      ['dry', 'Dry'],
      ['damp', 'Damp: under a roof, not rained on'],
      ['wet', 'Wet: rain or spray reaches it'],
    ],
  },
  'box.inTubSpace': {
    list: 'boxes',
    field: 'inTubSpace',
    text: (name) => `Is ${name} within a tub or shower space?`,
    why: 'No switch may be there.',
    options: YES_NO,
  },
  'luminaire.suitedTo': {
    list: 'luminaires',
    field: 'suitedTo',
    text: (name) => `What is ${name} marked for?`,
    why: 'In a damp or wet place a luminaire is to be marked for it.',
    options: [
      ['dry', 'Dry places only'],
      ['damp', 'Damp places'],
      ['wet', 'Wet places'],
    ],
  },
  'luminaire.throughWiring': {
    list: 'luminaires',
    field: 'throughWiring',
    text: (name) => `Is the driver box of ${name} listed for through wiring?`,
    why: 'Conductors go on from it to other places.',
    options: YES_NO,
  },
  'circuit.purpose': {
    list: 'circuits',
    field: 'purpose',
    text: (name) => `What else does the circuit ${name} serve?`,
    why: 'Some circuits may not serve lighting.',
    options: PURPOSES.map((one) => [one, PURPOSE_WORDS[one]] as const),
  },
  'circuit.oneBathroom': {
    list: 'circuits',
    field: 'oneBathroom',
    text: (name) => `Does ${name} serve one bathroom and nothing else?`,
    why: 'Only then may lights of that bathroom hang on its receptacle circuit.',
    options: YES_NO,
  },
  'circuit.afci': {
    list: 'circuits',
    field: 'afci',
    text: (name) => `Has ${name} arc-fault protection?`,
    why: 'Outlets and devices in the rooms of this job are to have it.',
    options: YES_NO,
  },
  'feed.gfciSide': {
    list: 'feeds',
    field: 'gfciSide',
    text: (name) => `Is the receptacle at ${name} a ground-fault device, and which side is tapped?`,
    why: 'On its load side the lights go dark when it trips.',
    options: [
      ['none', 'No ground-fault device'],
      ['line', 'Line side'],
      ['load', 'Load side'],
    ],
  },
} as const satisfies Record<string, Asked>;

export type QuestionKind = keyof typeof ASKED;

/** A question about one thing of the job, asked once, whichever rules want the answer. */
export interface Question {
  kind: QuestionKind;
  /** The room, box, circuit, luminaire or feed it is about. */
  of: string;
  text: string;
  why: string;
  options: { value: string | number; words: string }[];
}

export const questionKey = ({ kind, of }: Pick<Question, 'kind' | 'of'>): string => `${kind} ${of}`;

const nameOf = (job: Job, list: List, id: string): string => {
  if (list === 'feeds') {
    const at = job.feeds.find((one) => one.id === id)?.at;
    return job.boxes.find((box) => box.id === at)?.name ?? 'the panel';
  }
  const items: readonly { id: string; name: string }[] = job[list];
  return items.find((one) => one.id === id)?.name ?? id;
};

export const questionOf = (job: Job, kind: QuestionKind, of: string): Question => {
  const { list, text, why, options }: Asked = ASKED[kind];
  return {
    kind,
    of,
    text: text(nameOf(job, list, of)),
    why,
    options: options.map(([value, words]) => ({ value, words })),
  };
};

/** Where a screen can lead for a question. */
export const placeOfQuestion = (
  job: Job,
  { kind, of }: Pick<Question, 'kind' | 'of'>,
): { circuit?: string; room?: string; box?: BoxId } => {
  const { list }: Asked = ASKED[kind];
  switch (list) {
    case 'rooms':
      return { room: of };
    case 'boxes':
      return { box: of as BoxId };
    case 'circuits':
      return { circuit: of };
    case 'luminaires': {
      const box = job.luminaires.find((one) => one.id === of)?.box;
      return box ? { box } : {};
    }
    case 'feeds': {
      const circuit = job.feeds.find((one) => one.id === of)?.circuit;
      return circuit ? { circuit } : {};
    }
  }
};

/** What is answered already; null while it is not. */
export const answerOf = (job: Job, { kind, of }: Pick<Question, 'kind' | 'of'>): string | number | null => {
  const { list, field, options }: Asked = ASKED[kind];
  const item = (job[list] as readonly { id: string }[]).find((one) => one.id === of);
  const value = (item as Record<string, unknown> | undefined)?.[field];
  // Risers are counted; the answer stands for a range of them.
  if (kind === 'room.risers' && typeof value === 'number') return value > 5 ? 6 : 5;
  return options.find(([one]) => one === value)?.[0] ?? null;
};

/** The job with a question answered. Throws on an answer that was not offered: that is misuse. */
export const answerQuestion = (
  job: Job,
  { kind, of }: Pick<Question, 'kind' | 'of'>,
  value: string | number,
): Job => {
  const { list, field, options }: Asked = ASKED[kind];
  if (!options.some(([one]) => one === value)) throw new Error(`"${value}" does not answer ${kind}.`);
  const items: readonly { id: string }[] = job[list];
  return { ...job, [list]: items.map((one) => (one.id === of ? { ...one, [field]: value } : one)) };
};
