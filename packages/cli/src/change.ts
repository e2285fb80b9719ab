import {
  articleOf,
  dollars,
  findGroup,
  groupsOfCircuit,
  leastChange,
  newBox,
  newRunFact,
  parseFeetInches,
  sayKeeping,
  USUAL_LUMINAIRE,
  wiringOrEmpty,
  type Change,
  type Job,
  type LeastChange,
  type NewPlace,
  type Slot,
} from '@amber/core';
import type { ChangeWords } from './changeWords.js';
import type { Command, Refused } from './report.js';

const ROLES: Record<string, Slot['role']> = {
  switch: 'switch',
  dimmer: 'dimmer',
  timer: 'timer',
  sensor: 'occupancySensor',
};

const KINDS: Record<string, Change['kind']> = {
  'replace-device': 'replaceDevice',
  'replace-luminaire': 'replaceLuminaire',
  'add-switch': 'addSwitch',
  'add-light': 'addLight',
  'take-off': 'takeOff',
  branch: 'branch',
  'bring-neutral': 'bringNeutral',
  'move-switch': 'moveSwitch',
  'remove-switch': 'removeSwitch',
  'as-asked': 'asAsked',
  mend: 'mend',
};

/** A sentence that says what is wrong; thrown within this file and turned into a refusal at its door. */
class Wrong extends Error {}

const named = <T extends { id: string; name: string }>(
  items: readonly T[],
  asked: string,
  what: string,
): T => {
  const found = items.find(({ id, name }) => id === asked || name === asked);
  if (found) return found;
  throw new Wrong(
    `The job has no ${what} "${asked}"; it has ${items.map(({ name }) => `"${name}"`).join(', ') || 'none'}.`,
  );
};

const SWITCH_PLACE = 'new-switch';

/** Runs to a new place, each as BOX=LENGTH; `switch` is the place of the switch that comes with a light. */
const runsTo = (job: Job, id: string, told: readonly string[]) =>
  told.map((one) => {
    const at = one.lastIndexOf('=');
    const length = at < 0 ? null : parseFeetInches(one.slice(at + 1));
    if (length === null)
      throw new Wrong(`"${one}" is no run; write BOX=LENGTH, as "Stair foot=12-6" for 12 ft 6 in.`);
    const box = one.slice(0, at);
    const from = box === 'switch' ? SWITCH_PLACE : named(job.boxes, box, 'box').id;
    return newRunFact({ between: [from, id], length });
  });

const place = (
  job: Job,
  { id, name, mount, told }: { id: string; name: string; mount: 'wall' | 'ceiling'; told: readonly string[] },
): NewPlace => ({
  box: newBox({ id, name, article: null, work: 'old', mount, accessible: 'unknown' }),
  runs: runsTo(job, id, told),
});

const need = (value: string | undefined, option: string): string => {
  if (value === undefined) throw new Wrong(`This kind of change needs --${option}.`);
  return value;
};

/** The change that the options ask for. */
const changeOf = (
  job: Job,
  words: ChangeWords,
  {
    circuit,
    group,
  }: { circuit: Job['circuits'][number] | undefined; group: Job['groups'][number] | undefined },
): Change => {
  const kind = KINDS[words.kind ?? ''];
  if (!kind) throw new Wrong(`Name the change by --kind; there are ${Object.keys(KINDS).join(', ')}.`);
  const on = () => {
    const found = circuit ?? job.circuits.find(({ id }) => id === group?.circuit);
    if (!found) throw new Wrong('This kind of change needs --circuit.');
    return found;
  };
  const box = () => named(job.boxes, need(words.at, 'at'), 'box');
  const groupOf = () => {
    if (group) return group;
    const [only, ...others] = groupsOfCircuit(job, on().id).filter(({ control }) => control === 'switched');
    if (!only || others.length > 0) throw new Wrong('This kind of change needs --group.');
    return only;
  };
  const slot = () => {
    const { id, name } = box();
    const here = job.slots.filter((one) => one.box === id && one.role !== 'receptacle');
    const mine = group ? here.filter((one) => one.group === group.id) : here;
    const [only, ...others] = mine;
    if (!only) throw new Wrong(`There is no switch in ${name}.`);
    if (others.length > 0) throw new Wrong(`There are ${mine.length} switches in ${name}; say --group.`);
    return only;
  };
  const va = words.va === undefined ? USUAL_LUMINAIRE.va : Number(words.va);
  if (!(va >= 0.1 && va <= 5000)) throw new Wrong('--va is from 0.1 to 5000 volt-amperes.');
  const hung = {
    ...USUAL_LUMINAIRE,
    name: words.name ?? 'New light',
    unit: 'luminaire',
    va,
    pounds: null,
    driverBox: null,
  } as const;
  const name = words.name ?? 'New box';
  const atNew = (mount: 'wall' | 'ceiling') => place(job, { id: SWITCH_PLACE, name, mount, told: words.run });
  switch (kind) {
    case 'replaceDevice': {
      const role = ROLES[words.role ?? 'switch'];
      if (!role)
        throw new Wrong(`There is no role "${words.role}"; there are ${Object.keys(ROLES).join(', ')}.`);
      return { kind, slot: slot().id, role, article: null };
    }
    case 'bringNeutral':
    case 'removeSwitch':
      return { kind, slot: slot().id };
    case 'moveSwitch':
      return { kind, slot: slot().id, place: atNew('wall') };
    case 'addSwitch':
      return { kind, group: groupOf().id, place: atNew('wall') };
    case 'addLight':
      return { kind, group: groupOf().id, place: atNew('ceiling'), hung };
    case 'replaceLuminaire': {
      const { id, name: called } = box();
      const luminaire = job.luminaires.find((one) => one.box === id && one.partOf === null);
      if (!luminaire) throw new Wrong(`No luminaire hangs at ${called}.`);
      return { kind, luminaire: luminaire.id, hung };
    }
    case 'takeOff':
      return { kind, from: box().id, circuit: on().id, place: atNew('wall'), what: 'receptacle', va };
    case 'branch':
      return {
        ...{ kind, from: box().id, circuit: on().id, hung, switchAt: atNew('wall') },
        lightAt: place(job, {
          id: 'new-light',
          name: `${name}, light`,
          mount: 'ceiling',
          told: words.lightRun,
        }),
      };
    case 'asAsked':
    case 'mend':
      return { kind, circuit: on().id };
  }
};

const sayWay = (value: LeastChange, i: number): string[] => {
  const { job, cost, opened, newBoxes, closed, devices, devicesOut, fresh, moved, lookFirst } = value;
  const boxName = (id: string) => job.boxes.find((one) => one.id === id)?.name ?? id;
  const names = (ids: readonly string[]) => ids.map(boxName).join(', ') || 'none';
  const place = (id: string) => (id === 'panel' ? 'panel' : boxName(id));
  const cable = (one: { article: string; from: string; to: string }) =>
    `${articleOf(job.stock, 'cable', one.article).name}, ${place(one.from)} to ${place(one.to)}`;
  const there = opened.filter((id) => !newBoxes.includes(id));
  const why = (id: string) => {
    const told = value.keeping.find((one) => one.cable === id);
    return told ? `. ${sayKeeping(told)}` : '';
  };
  return [
    `${i > 0 ? 'Another way' : value.partial ? 'The least that was found' : 'The least change'}${lookFirst.length > 0 ? ', if it is as is usual' : ''}: ${dollars(cost.cost)} (material ${dollars(cost.material)}, ${Math.round(cost.minutes)} min)`,
    ...(lookFirst.length > 0
      ? [
          `  Look first into ${names(lookFirst)}: nobody has seen all of it, and what is said of it is what is usual.`,
        ]
      : []),
    `  Opened: ${names(there)}. New boxes: ${names(newBoxes)}. Shut: ${names(closed)}.`,
    ...devices.map(
      (one) => `  New: ${articleOf(job.stock, 'device', one.article).name} at ${boxName(one.box)}`,
    ),
    ...fresh.map((one) => `  New: ${cable(one)}`),
    ...devicesOut.map(
      (one) => `  Out: ${articleOf(job.stock, 'device', one.article).name} at ${boxName(one.box)}`,
    ),
    ...value.drawnOut.map((one) => `  Out: ${cable(one)}${why(one.id)}`),
    ...wiringOrEmpty(job)
      .cables.filter(({ id }) => value.idle.includes(id))
      .map((one) => `  Capped, unused: ${cable(one)}${why(one.id)}`),
    ...value.offBreaker.map((one) => `  To be taken off its breaker: ${cable(one.cable)}`),
    ...moved.map(({ box, wire, from, to }) => {
      const word = lookFirst.includes(box) ? 'is usually on' : 'was on';
      return `  ${boxName(box)}: ${wire} ${word} ${from}, goes on ${to}`;
    }),
    `  Then tried again: ${value.retest.flatMap((id) => findGroup(job, id)?.name ?? []).join(', ') || 'nothing'}`,
    ...value.asks
      .filter(({ severity }) => severity === 'violation')
      .map((one) => `  VIOLATION ${one.section} ${one.title}`),
  ];
};

/** A change of what is there by the least that is made otherwise, and the next two ways. */
export const change: Command = (subject, { circuit, group, change: words }) => {
  const { job } = subject;
  let asked: Change;
  try {
    asked = changeOf(job, words, { circuit, group });
  } catch (problem) {
    if (!(problem instanceof Wrong)) throw problem;
    return { refused: [problem.message] } satisfies Refused;
  }
  const outcome = leastChange(job, asked);
  if (!outcome.ok) {
    const { title, reason, remedy } = outcome.refusal;
    return { lines: [title, `  ${reason}`, `  Remedy: ${remedy}`], data: outcome, violates: true };
  }
  const ways = [outcome.value, ...outcome.others];
  return {
    lines: ways.flatMap(sayWay),
    data: outcome,
    violates: outcome.value.asks.some(({ severity }) => severity === 'violation'),
  };
};
