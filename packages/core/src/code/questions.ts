import { findFeed, findLuminaire } from '../model/lookup.js';
import { cablesThere, findCableThere, othersIn, withCarried, withOthersIn } from '../model/lying.js';
import { articlesOf } from '../model/articles.js';
import { boxContentsSchema } from '../model/contents.js';
import { PANEL, type BoxId, type CableId, type CircuitId, type RoomId } from '../model/ids.js';
import { PURPOSES, type Job } from '../model/job.js';
import { ROOM_KINDS, type RoomKind } from '../model/place.js';
import { placeName, runName } from '../words/places.js';

/** Lists of the job, and the cables that its existing wiring tells of. */
type List = 'rooms' | 'boxes' | 'circuits' | 'luminaires' | 'feeds' | 'cables';

/** A fact that only people can know: where it is kept, what may be answered, and why it is asked. */
interface Asked {
  list: List;
  /** The field of the item that holds the answer; or, where the existing wiring holds it, how it is read there and told. */
  kept:
    | string
    | {
        answer: (job: Job, of: string) => string | number | null;
        tell: (job: Job, of: string, value: string | number) => Job;
      };
  text: (name: string) => string;
  why: string;
  options: Options | ((job: Job) => Options);
}

type Options = readonly (readonly [value: string | number, words: string])[];

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
  crawlSpace: 'Crawl space',
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
    kept: 'kind',
    text: (name) => `What kind of room is ${name}?`,
    why: 'Neutrals at switches, arc-fault protection and required lights hang on it. Until it is answered the strictest is taken.',
    options: ROOM_KINDS.filter((kind) => kind !== 'unknown').map((kind) => [kind, ROOM_WORDS[kind]] as const),
  },
  'room.wholeFloorVisible': {
    list: 'rooms',
    kept: 'wholeFloorVisible',
    text: (name) => `Is the whole floor of ${name} visible from the switches?`,
    why: 'It decides at how many of its switches a neutral is asked for.',
    options: YES_NO,
  },
  'room.risers': {
    list: 'rooms',
    kept: 'risers',
    text: (name) => `How many risers has ${name} between two floors?`,
    why: 'From six on a switch is asked for at each floor.',
    options: [
      [5, 'Five or fewer'],
      [6, 'Six or more'],
    ],
  },
  'room.otherLight': {
    list: 'rooms',
    kept: 'otherLight',
    text: (name) => `Has ${name} a light with a wall switch already?`,
    why: 'The room is to have one; this job switches none there.',
    options: YES_NO,
  },
  'box.article': {
    list: 'boxes',
    kept: 'article',
    text: (name) => `Which box is at ${name}?`,
    why: 'It is there already, and whether the wires fit hangs on the volume stamped in it (314.16).',
    options: (job) =>
      articlesOf(job.stock, 'box')
        .filter((one) => one.part === 'box')
        .map((one) => [one.id, one.name] as const),
  },
  'box.contents': {
    list: 'boxes',
    kept: {
      answer: (job, of) => (othersIn(job, of) === null ? null : 'nothing'),
      tell: (job, of) => withOthersIn(job, of as BoxId, boxContentsSchema.parse({})),
    },
    text: (name) => `What is in ${name} beside what is planned here?`,
    why: 'Its cables, device and grounds take room (314.16). What is in it is told on Layout; until then nobody can say that it fits.',
    options: [['nothing', 'Nothing else']],
  },
  'cable.circuit': {
    list: 'cables',
    kept: {
      answer: (job, of) => findCableThere(job, of)?.circuit ?? null,
      tell: (job, of, value) => withCarried(job, of as CableId, value as CircuitId),
    },
    text: (name) => `Whose power is on ${name}?`,
    why: 'Until it is told it serves no circuit, and may be live from any breaker.',
    options: (job) => job.circuits.map((one) => [one.id, one.name] as const),
  },
  'box.accessible': {
    list: 'boxes',
    kept: 'accessible',
    text: (name) => `Can another cable reach ${name} later without opening the wall?`,
    why: 'Where it can, no neutral is asked for at the switch.',
    options: YES_NO,
  },
  'box.neutralException': {
    list: 'boxes',
    kept: 'neutralException',
    text: (name) => `Does something else spare the neutral at ${name}?`,
    why: 'Where it does, none is asked for at the switch (404.2(C)).',
    options: [
      ['none', 'Nothing'],
      ['raceway', 'Its wires come in a raceway with room for one more'],
      ['integral', 'A switch with an enclosure of its own'],
      ['automatic', 'The light is controlled automatically'],
    ],
  },
  'box.staysAccessible': {
    list: 'boxes',
    kept: 'staysAccessible',
    text: (name) => `Does ${name} stay accessible when the building is finished?`,
    why: 'A box with splices may not be buried.',
    options: YES_NO,
  },
  'box.location': {
    list: 'boxes',
    kept: 'location',
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
    kept: 'inTubSpace',
    text: (name) => `Is ${name} within a tub or shower space?`,
    why: 'No switch may be there.',
    options: YES_NO,
  },
  'luminaire.suitedTo': {
    list: 'luminaires',
    kept: 'suitedTo',
    text: (name) => `What is ${name} marked for?`,
    why: 'In a damp or wet place a luminaire is to be marked for it.',
    options: [
      ['dry', 'Dry places only'],
      ['damp', 'Damp places'],
      ['wet', 'Wet places'],
    ],
  },
  'luminaire.pounds': {
    list: 'luminaires',
    kept: 'pounds',
    text: (name) => `How heavy is ${name}?`,
    why: 'What it hangs on has to hold it (314.27).',
    options: [
      [6, '6 lb or less'],
      [35, 'More, up to 35 lb'],
      [50, 'More, up to 50 lb'],
      [70, 'More, up to 70 lb'],
      [100, 'More than 70 lb'],
    ],
  },
  'luminaire.throughWiring': {
    list: 'luminaires',
    kept: 'throughWiring',
    text: (name) => `Is the driver box of ${name} listed for through wiring?`,
    why: 'Conductors go on from it to other places.',
    options: YES_NO,
  },
  'circuit.purpose': {
    list: 'circuits',
    kept: 'purpose',
    text: (name) => `What else does the circuit ${name} serve?`,
    why: 'Some circuits may not serve lighting.',
    options: PURPOSES.map((one) => [one, PURPOSE_WORDS[one]] as const),
  },
  'circuit.oneBathroom': {
    list: 'circuits',
    kept: 'oneBathroom',
    text: (name) => `Does ${name} serve one bathroom and nothing else?`,
    why: 'Only then may lights of that bathroom hang on its receptacle circuit.',
    options: YES_NO,
  },
  'circuit.afci': {
    list: 'circuits',
    kept: 'afci',
    text: (name) => `Has ${name} arc-fault protection?`,
    why: 'Outlets and devices in the rooms of this job are to have it.',
    options: YES_NO,
  },
  'circuit.gfci': {
    list: 'circuits',
    kept: 'gfci',
    text: (name) => `Has ${name} ground-fault protection ahead of the receptacles of this job?`,
    why: 'A receptacle that is added or replaced in a bath, a garage, outdoors and the like is to have it.',
    options: YES_NO,
  },
  'feed.gfciSide': {
    list: 'feeds',
    kept: 'gfciSide',
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
    const feed = findFeed(job, id);
    return feed ? placeName(job, feed.at) : id;
  }
  if (list === 'cables') {
    const cable = findCableThere(job, id);
    if (!cable) return id;
    const [from, to] = cable.between;
    return `the cable that lies from ${runName(job, { from, to })}`;
  }
  const items: readonly { id: string; name: string }[] = job[list];
  return items.find((one) => one.id === id)?.name ?? id;
};

const optionsOf = (job: Job, { options }: Asked): Options =>
  typeof options === 'function' ? options(job) : options;

export const questionOf = (job: Job, kind: QuestionKind, of: string): Question => {
  const asked: Asked = ASKED[kind];
  const { list, text, why } = asked;
  return {
    kind,
    of,
    text: text(nameOf(job, list, of)),
    why,
    options: optionsOf(job, asked).map(([value, words]) => ({ value, words })),
  };
};

/** What a question is about, by name. */
export const subjectOf = (job: Job, { kind, of }: Pick<Question, 'kind' | 'of'>): string =>
  nameOf(job, ASKED[kind].list, of);

/** The question as it stands over a table of several that it is asked of: "Is … in a dry, damp or wet place?" */
export const askedOfEach = (kind: QuestionKind): string => {
  const { text }: Asked = ASKED[kind];
  return text('…');
};

/** Where a screen can lead for a question. */
export const placeOfQuestion = (
  job: Job,
  { kind, of }: Pick<Question, 'kind' | 'of'>,
): { circuit?: CircuitId; room?: RoomId; box?: BoxId } => {
  const { list }: Asked = ASKED[kind];
  switch (list) {
    case 'rooms':
      return { room: of as RoomId };
    case 'boxes':
      return { box: of as BoxId };
    case 'circuits':
      return { circuit: of as CircuitId };
    case 'cables': {
      const between = findCableThere(job, of)?.between;
      const box = between?.find((place) => place !== PANEL);
      return box === undefined ? {} : { box: box as BoxId };
    }
    case 'luminaires': {
      const box = findLuminaire(job, of)?.box;
      return box ? { box } : {};
    }
    case 'feeds': {
      const circuit = findFeed(job, of)?.circuit;
      return circuit ? { circuit } : {};
    }
  }
};

const itemsOf = (job: Job, { list }: Asked): readonly { id: string }[] =>
  list === 'cables' ? cablesThere(job) : job[list];

/** What is answered already; null while it is not. */
export const answerOf = (job: Job, { kind, of }: Pick<Question, 'kind' | 'of'>): string | number | null => {
  const asked: Asked = ASKED[kind];
  const { kept } = asked;
  if (typeof kept === 'object') return kept.answer(job, of);
  const item = itemsOf(job, asked).find((one) => one.id === of);
  const answer = (item as Record<string, unknown> | undefined)?.[kept];
  const options = optionsOf(job, asked);
  // What is counted or weighed is asked for by ranges: an answer stands for all up to it, the last one for all beyond.
  if (typeof answer === 'number')
    return (options.find(([most]) => Number(most) >= answer) ?? options.at(-1))?.[0] ?? null;
  return options.find(([one]) => one === answer)?.[0] ?? null;
};

/** The job with a question answered. Throws on an answer that was not offered: that is misuse. */
export const answerQuestion = (
  job: Job,
  { kind, of }: Pick<Question, 'kind' | 'of'>,
  value: string | number,
): Job => {
  const asked: Asked = ASKED[kind];
  const { list, kept } = asked;
  if (!optionsOf(job, asked).some(([one]) => one === value))
    throw new Error(`"${value}" does not answer ${kind}.`);
  if (typeof kept === 'object') return kept.tell(job, of, value);
  return {
    ...job,
    [list]: itemsOf(job, asked).map((one) => (one.id === of ? { ...one, [kept]: value } : one)),
  };
};
