import {
  editWiring,
  newBox,
  sayWiringRefusal,
  type End,
  type Job,
  type Wiring,
  type WiringEdit,
} from '../../../src/index.js';
import type { ArticleOf } from '../../../src/model/articles.js';
import { jobOf, planned, type Shorthand } from '../jobs.js';
import { lying } from '../told.js';

/** A job with its wiring, or with one that somebody made otherwise. */
export interface Case {
  job: Job;
  wiring: Wiring;
}

export const made = (asked: Job): Case => {
  const { job, wiring } = planned(asked);
  return { job, wiring };
};
export const of = (short: Shorthand): Case => made(jobOf(short));
export const pair: Shorthand = { runs: ['F-S1', 'S1-S2', 'S2-L'], visible: 'yes' };
export const single: Shorthand = { runs: ['F-S1', 'S1-L'] };

export const rewired = ({ job, wiring }: Case, change: (wiring: Wiring) => Wiring): Case => ({
  job,
  wiring: change(wiring),
});
export const changed = (job: Job, change: (job: Job) => Job): Case => made(change(job));
type List = 'rooms' | 'circuits' | 'feeds' | 'boxes' | 'slots' | 'luminaires';
const editing =
  <K extends List>(list: K) =>
  (job: Job, more: (one: Job[K][number]) => Partial<Job[K][number]>): Job => ({
    ...job,
    [list]: job[list].map((one) => ({ ...one, ...more(one as Job[K][number]) })),
  });
export const editRooms = editing('rooms');
export const editCircuits = editing('circuits');
export const editFeeds = editing('feeds');
export const editBoxes = editing('boxes');
export const editSlots = editing('slots');
export const editLuminaires = editing('luminaires');

export const end = (cable: string, side: 'from' | 'to', colour: End['colour']): End => ({
  cable: cable as End['cable'],
  side,
  colour,
});

/** A second circuit with a light of its own through the same switch box. */
export const twoCircuits = (): Case => {
  const job = jobOf({ runs: ['F-S1', 'S1-L'] });
  const [circuit] = job.circuits;
  const [feed] = job.feeds;
  const [group] = job.groups;
  const [slot] = job.slots;
  const [lamp] = job.luminaires;
  if (!circuit || !feed || !group || !slot || !lamp) throw new Error('the shorthand has changed');
  const id = <T>(text: string) => text as T;
  return made({
    ...job,
    circuits: [circuit, { ...circuit, id: id('c2'), name: 'Other' }],
    feeds: [feed, { ...feed, id: id('f2'), circuit: id('c2') }],
    groups: [group, { ...group, id: id('g2'), name: 'Other', circuit: id('c2') }],
    boxes: [
      ...job.boxes.map((box) => ({ ...box, article: null })),
      newBox({ id: 'L2', name: 'L2', article: null, accessible: 'no' }),
    ],
    slots: [slot, { ...slot, id: id('s2'), gang: 1, group: id('g2') }],
    luminaires: [lamp, { ...lamp, id: id('lamp2'), box: id('L2'), group: id('g2') }],
    choices: [
      ...job.choices,
      {
        circuit: id('c2'),
        feed: id('f2'),
        runs: [
          { from: 'panel', to: id('S1') },
          { from: id('S1'), to: id('L2') },
        ],
      },
    ],
  });
};

/** The cables of a case of another make. */
export const madeOf = (one: Case, more: Partial<ArticleOf<'cable'>>): Case => ({
  ...one,
  job: {
    ...one.job,
    stock: one.job.stock.map((article) => (article.kind === 'cable' ? { ...article, ...more } : article)),
  },
});

const edited = (wiring: Wiring, job: Job, ...edits: WiringEdit[]): Wiring =>
  edits.reduce((left, edit) => {
    const result = editWiring(left, edit, job);
    if (!result.ok) throw new Error(sayWiringRefusal(job, result.refusal));
    return result.wiring;
  }, wiring);

/** The feed on one traveler of the first switch, the neutral on the other. */
export const neutralOnTraveler = (wiring: Wiring): Wiring => {
  const device = 'device:slot:S1' as never;
  const feed = wiring.cables.find(({ from }) => from === 'panel');
  if (!feed) throw new Error('no feed');
  return edited(
    wiring,
    jobOf(pair),
    {
      ...{ do: 'put', wire: { end: { cable: feed.id, side: 'to', colour: 'black' } } },
      to: { on: { device, name: 'traveler 1' } },
    },
    { do: 'tail', from: 'S1/c1/N' as never, to: { device, name: 'traveler 2' }, colour: 'white' },
  );
};

/** Black and white of the feed each in the place of the other, at both ends. */
export const feedTurned = (wiring: Wiring): Wiring => {
  const feed = wiring.cables.find(({ from }) => from === 'panel');
  const turn = (one: End): End =>
    one.cable !== feed?.id
      ? one
      : { ...one, colour: one.colour === 'black' ? 'white' : one.colour === 'white' ? 'black' : one.colour };
  return {
    ...wiring,
    joints: wiring.joints.map((joint) => ({
      ...joint,
      members: joint.members.map((one) => ('end' in one ? { end: turn(one.end) } : one)),
    })),
    landings: wiring.landings.map((one) =>
      'end' in one.wire ? { ...one, wire: { end: turn(one.wire.end) } } : one,
    ),
  };
};

/** The white of the second circuit's lamp in the neutrals of the first. */
export const borrowed = (wiring: Wiring): Wiring => {
  const cable = wiring.cables.find(({ to }) => to === 'L2');
  if (!cable) throw new Error('no cable');
  return edited(wiring, twoCircuits().job, {
    ...{ do: 'put', wire: { end: { cable: cable.id, side: 'from', colour: 'white' } } },
    to: { into: 'S1/c1/N' as never },
  });
};

/** All members of these splices in one. */
export const joinSplices = (one: Case, a: string, b: string): Case =>
  rewired(one, (wiring) => {
    const other = wiring.joints.find((joint) => joint.id === b);
    if (!other || !wiring.joints.some((joint) => joint.id === a)) throw new Error(`no splice ${a} or ${b}`);
    return {
      ...wiring,
      joints: wiring.joints
        .filter((joint) => joint.id !== b)
        .map((joint) =>
          joint.id === a ? { ...joint, members: [...joint.members, ...other.members] } : joint,
        ),
    };
  });

export const tapped = (
  purpose: Job['circuits'][number]['purpose'],
  more: Partial<Job['circuits'][number]> = {},
) =>
  changed(jobOf({ runs: ['J1-S1', 'S1-L'], feedAt: 'J1' }), (job) =>
    editBoxes(
      editCircuits(job, () => ({ purpose, ...more })),
      () => ({ staysAccessible: 'yes' }),
    ),
  );

export const withLamp = (more: Partial<Job['luminaires'][number]>, box: Partial<Job['boxes'][number]> = {}) =>
  changed(jobOf(single), (job) =>
    editBoxes(
      editLuminaires(job, () => more),
      (one) => (one.id === 'L' ? box : {}),
    ),
  );
export const inRoom = (more: Partial<Job['rooms'][number]>, short: Shorthand = single) =>
  changed(jobOf(short), (job) => editRooms(job, () => more));

export const withDevice = (role: Job['slots'][number]['role'], then: (job: Job) => Job = (job) => job) =>
  changed(jobOf(single), (job) => then(editSlots(job, () => ({ role }))));

/** A receptacle on the unswitched hot beside the switch, of an article that is or is not shuttered. */
export const withReceptacle = (tamperResistant: boolean): Case => {
  const job = jobOf({ runs: ['F-S1', 'S1-L', 'S1-S2'] });
  const [group] = job.groups;
  if (!group) throw new Error('no group');
  return made({
    ...job,
    stock: job.stock.map((article) =>
      article.kind === 'device' && article.role === 'receptacle' ? { ...article, tamperResistant } : article,
    ),
    groups: [group, { ...group, id: 'hot' as typeof group.id, name: 'Receptacle', control: 'hot' }],
    slots: job.slots.map((slot) =>
      slot.box === 'S2' ? { ...slot, group: 'hot' as typeof group.id, role: 'receptacle' } : slot,
    ),
  });
};

/** The feed as a cable that lies there. */
export const asFed = (wiring: Wiring): Wiring => ({
  ...wiring,
  cables: wiring.cables.map((one) => (one.from === 'panel' ? { ...one, existing: true } : one)),
});

/** The feed as a cable without a ground. */
export const withoutGround = ({ job, wiring }: Case): Case => {
  const feed = wiring.cables.find(({ from }) => from === 'panel');
  const isItsGround = (one: End) => one.cable === feed?.id && one.colour === 'bare';
  const bare = job.stock.find(({ id }) => id === feed?.article);
  if (!feed || bare?.kind !== 'cable') throw new Error('no feed');
  const id = 'without-ground' as typeof bare.id;
  return {
    job: { ...job, stock: [...job.stock, { ...bare, id, ground: 'none' }] },
    wiring: {
      ...wiring,
      cables: wiring.cables.map((one) => (one === feed ? { ...one, article: id } : one)),
      joints: wiring.joints.map((joint) => ({
        ...joint,
        members: joint.members.filter((member) => !('end' in member && isItsGround(member.end))),
      })),
      landings: wiring.landings.filter(({ wire }) => !('end' in wire && isItsGround(wire.end))),
    },
  };
};

/** A receptacle in a room, with or without ground-fault protection of its circuit. */
export const receptacleIn = (
  room: Partial<Job['rooms'][number]>,
  gfci: 'yes' | 'no',
  box: Partial<Job['boxes'][number]> = {},
): Case =>
  changed(withReceptacle(true).job, (job) =>
    editBoxes(
      editCircuits(
        editRooms(job, () => room),
        () => ({ gfci }),
      ),
      () => box,
    ),
  );

/** A pair on a stair, one of them a dimmer. */
export const dimmed = (risers: number, box: string): Case =>
  changed(jobOf(pair), (job) =>
    editSlots(
      editRooms(job, () => ({ kind: 'stairway', risers })),
      (slot) => (slot.box === box ? { role: 'dimmer' } : {}),
    ),
  );

/** A luminaire that comes to a box that is there, built by an edition. */
export const oldBoxes = (existingEdition: Job['existingEdition']): Case =>
  changed(jobOf(single), (job) => ({
    ...editBoxes(job, () => ({ work: 'existing' })),
    existingEdition,
  }));

export const tappedAs = (source: Job['feeds'][number]['source']): Case =>
  changed(tapped('general').job, (job) => editFeeds(job, () => ({ tap: 'receptacle', source })));

/** The wiring as it is, with another load on it, on another breaker. */
export const loaded = (
  { job, wiring }: Case,
  more: Partial<Job['luminaires'][number]>,
  breaker: 15 | 20 = 15,
): Case => ({
  job: editCircuits(
    editLuminaires(job, () => more),
    () => ({ breaker }),
  ),
  wiring,
});

/** A receptacle that the switch controls. */
export const withSwitchedReceptacle = (breaker: 15 | 20): Case => {
  const job = jobOf({ runs: ['F-S1', 'S1-L', 'S1-S2'], breaker, awg: 12 });
  return made({
    ...job,
    slots: job.slots.map((slot) => (slot.box === 'S2' ? { ...slot, role: 'receptacle' } : slot)),
    boxes: job.boxes.map((box) => ({ ...box, article: null })),
  });
};

/** A cable that lies there between two boxes of the run, beside the one that the plan pulls. */
export const besides = (): Case => {
  const one = of(pair);
  const [, second] = one.wiring.cables;
  if (!second) throw new Error('no second cable');
  return rewired(one, (wiring) => ({
    ...wiring,
    cables: [...wiring.cables, { ...second, id: 'cable:again' as typeof second.id }],
    joints: wiring.joints.map((joint) => {
      const box = joint.box === 'S1' ? 'from' : joint.box === 'S2' ? 'to' : null;
      return box && joint.id.endsWith('/N')
        ? { ...joint, members: [...joint.members, { end: end('cable:again', box, 'white') }] }
        : joint;
    }),
  }));
};

export const steel = (short: Shorthand): Case =>
  changed(jobOf(short), (job) => editBoxes(job, () => ({ article: null, material: 'metal' })));

/** The neutral of the luminaire brought back another way than its switch leg. */
export const strayNeutral = (box: 'plastic' | 'steel'): Case => {
  const one = box === 'steel' ? steel(pair) : of(pair);
  const again = end('cable:stray', 'from', 'white');
  const back = end('cable:stray', 'to', 'white');
  const lead = one.wiring.joints.find((joint) => joint.id === 'L/c1/N');
  const first = one.wiring.joints.find((joint) => joint.id === 'S1/c1/N');
  const [, second] = one.wiring.cables;
  if (!lead || !first || !second) throw new Error('not planned as thought');
  return rewired(one, (wiring) => ({
    ...wiring,
    cables: [
      ...wiring.cables,
      { ...second, id: 'cable:stray' as typeof second.id, from: 'S1' as never, to: 'L' as never },
    ],
    joints: wiring.joints.map((joint) => {
      if (joint === first) return { ...joint, members: [...joint.members, { end: again }] };
      // At the luminaire the neutral of the switch leg's cable is left out, and the stray one taken.
      if (joint !== lead) return joint;
      return { ...joint, members: [...joint.members.filter((m) => !('end' in m)), { end: back }] };
    }),
  }));
};

/** What trips a rule, and what does not, each told in words. */
export type RuleCases = Record<
  string,
  { trips: [what: string, one: Case][]; passes: [what: string, one: Case][] }
>;

/** A pair of switches beside an old 14/2 from the panel, or from another box, that nothing uses; of a circuit, or of one nobody has told. */
export const withOldHomeRun = (circuit: string | null, from = 'panel'): Job => {
  // From a box of other work it is no run of the circuit.
  const whose = from === 'panel' ? circuit : null;
  return lying(jobOf(single), [{ id: 'old', article: '14-2', circuit: whose, between: [from, 'L'] }]);
};

/** The bare wire between two boxes carries a traveler, and the red one is out of use. */
export const bareForRed =
  (a: string, b: string) =>
  (wiring: Wiring): Wiring => {
    const cable = wiring.cables.find(
      ({ from, to }) => [from, to].includes(a as never) && [from, to].includes(b as never),
    );
    const isBare = (one: End) => one.cable === cable?.id && one.colour === 'bare';
    return {
      ...wiring,
      joints: wiring.joints
        .map((joint) => ({
          ...joint,
          members: joint.members.filter((member) => !('end' in member && isBare(member.end))),
        }))
        .filter((joint) => joint.members.length > 0),
      landings: wiring.landings
        .filter(({ wire }) => !('end' in wire && isBare(wire.end)))
        .map((landing) =>
          'end' in landing.wire && landing.wire.end.cable === cable?.id && landing.wire.end.colour === 'red'
            ? { ...landing, wire: { end: { ...landing.wire.end, colour: 'bare' as const } } }
            : landing,
        ),
    };
  };
