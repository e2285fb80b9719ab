import { findingKey, type Finding } from '../code/rule.js';
import { BUILT } from '../edits/wiring/documents.js';
import { whereIs, wiresIn } from '../existing/whereabouts.js';
import type { BoxId, CircuitId, DeviceId, GroupId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { Wiring } from '../model/wiring.js';
import { findBox, findDevice, findGroup, findLuminaire } from '../model/lookup.js';
import { truthTable, type TruthTable } from '../proving/truthTable.js';
import { handlesThatSway } from '../proving/works.js';
import { reviewJob } from '../review/reviewJob.js';
import { reviewWiring, type Subject } from '../review/subject.js';
import { boxInWords, type BoxLine } from '../steps/boxInWords.js';
import { handleName } from '../words/handles.js';
import { listed } from '../words/lists.js';
import { colourWord } from '../words/wires.js';
import { placeName } from '../words/places.js';

/** Something that is not as it should be: first what to look at, then what it is. */
export interface PracticeFault {
  /** What is looked at in turn: is every wire on something, does it do what it should, would it pass? */
  stage: 'loose' | 'works' | 'passes';
  /** Where it shows; null for the circuit as a whole. */
  box: BoxId | null;
  question: string;
  reason: string;
  /** The section that wants it otherwise; empty where no rule does. */
  section: string;
}

/** What is thought of a circuit as it is made up. */
export interface MakeUpVerdict {
  /** Works from every position, nothing hangs loose, and nothing that was made up violates a rule. */
  right: boolean;
  /** Handle positions that work, of all, group by group together. */
  working: number;
  of: number;
  faults: PracticeFault[];
  /** What the plan itself violates, whoever makes it up: none of a drawn exercise, perhaps of somebody's own circuit. */
  ofPlan: string[];
}

/** Does the breaker open in any position? */
const isTripped = (table: TruthTable): boolean => table.rows.some(({ shorts }) => shorts.length > 0);

const handleOf = (job: Job, reviewed: Subject, device: DeviceId): { box: BoxId | null; name: string } => {
  const found = reviewed.wiring.devices.find(({ id }) => id === device);
  return { box: found?.box ?? null, name: found ? placeName(job, found.box) : device };
};

/** From how many of the positions moving one handle changes the light. */
const changesBy = (table: TruthTable, handle: number): { changes: number; of: number } => {
  const at = new Map(table.rows.map((row) => [row.positions.join(' '), row.lights.join(' ')]));
  let changes = 0;
  let of = 0;
  for (const row of table.rows) {
    const moved = row.positions.map((position, i) => (i === handle ? 1 - position : position)).join(' ');
    const other = at.get(moved);
    if (other === undefined) continue;
    of += 1;
    if (other !== row.lights.join(' ')) changes += 1;
  }
  return { changes, of };
};

/** What the handles tell of a group that does not work from every position. */
const ofGroup = (job: Job, reviewed: Subject, table: TruthTable): PracticeFault[] => {
  const plain = { stage: 'works', section: '', box: null } as const;
  if (isTripped(table)) {
    const [row] = table.rows.filter(({ shorts }) => shorts.length > 0);
    const all = table.rows.every(({ shorts }) => shorts.length > 0);
    const [short] = row?.shorts ?? [];
    const to = short?.to === 'ground' ? 'a ground' : short?.to === 'neutral' ? 'the neutral' : 'another hot';
    return [
      {
        ...plain,
        question: all
          ? 'What does the breaker do as soon as it is put on?'
          : 'In which position of the handles does the breaker trip?',
        reason: `It trips${all ? '' : ' in some of them'}: the hot meets ${to}.`,
      },
    ];
  }
  const lit = table.rows.filter(({ lights }) => lights.includes('lit')).length;
  const weak = table.rows.some(({ lights }) => lights.some((one) => one !== 'lit' && one !== 'dark'));
  if (weak)
    return [
      {
        ...plain,
        question: 'Is every light as bright as it should be, from every position?',
        reason:
          'In some position a light burns weakly: it shares its voltage with another, or its neutral is not one.',
      },
    ];
  const apart = table.rows.some(({ lights }) => new Set(lights).size > 1);
  if (apart)
    return [
      {
        ...plain,
        question: 'Do all the lights go on and off together?',
        reason:
          'In some position one is lit and another is dark: the way to it, or back from it, is open or another one.',
      },
    ];
  if (lit === 0)
    return [
      {
        ...plain,
        question: 'Does the light ever come on?',
        reason:
          'From no position of the handles does it light: somewhere the way there, or the way back, is open.',
      },
    ];
  if (lit === table.rows.length)
    return [
      {
        ...plain,
        question: 'Does the light ever go off?',
        reason: 'It burns in every position: the switched wire meets the hot without a switch between them.',
      },
    ];
  const told = table.switches.map((device, i) => ({
    ...handleOf(job, reviewed, device),
    ...changesBy(table, i),
  }));
  const idle = told.filter(({ changes }) => changes === 0);
  const partly = told.filter(({ changes, of }) => changes > 0 && changes < of);
  const one = (all: typeof told): BoxId | null => (all.length === 1 ? (all[0]?.box ?? null) : null);
  const faults: PracticeFault[] = [];
  if (idle.length > 0)
    faults.push({
      ...plain,
      box: one(idle),
      question: 'Which handle does nothing?',
      reason: `${idle.length === 1 ? 'That' : 'Those'} of ${listed(idle.map(({ name }) => name))}.`,
    });
  if (partly.length > 0)
    faults.push({
      ...plain,
      box: one(partly),
      question: 'Which handle does something only sometimes?',
      reason: `${listed(partly.map(({ name, changes, of }) => `${name}: it changes the light from ${changes} of ${of} positions`))}. Look at what is on each common, and whether the travelers are pairs.`,
    });
  return faults;
};

/** A light that hangs on a handle that is not its own. */
const bySway = (job: Job, { wiring, compiled, job: asked }: Subject, id: GroupId): PracticeFault[] => {
  const group = findGroup(job, id);
  const by = group ? handlesThatSway(asked, wiring, compiled, group) : [];
  if (!group || by.length === 0) return [];
  const names = by.map((device) => handleName({ job, wiring }, device));
  return [
    {
      ...{ stage: 'works', section: '' },
      box: by.length === 1 ? (findDevice(wiring, by[0])?.box ?? null) : null,
      question: 'Does every light do what its own handles say, wherever the other handles stand?',
      reason: `${group.name} hangs on ${listed(names)} too, as where a hot is taken behind another switch, or two groups are mixed.`,
    },
  ];
};

const ofFinding = (job: Job, { at, title, section, reason }: Finding): PracticeFault => {
  const box = at.box ?? findLuminaire(job, at.luminaire ?? null)?.box ?? null;
  return {
    stage: 'passes',
    box,
    section,
    question:
      box === null
        ? 'What would an inspector say of the circuit?'
        : `What would an inspector say at ${placeName(job, box)}?`,
    reason: `${title}. ${reason}`,
  };
};

const capital = (words: string): string => `${words[0]?.toUpperCase() ?? ''}${words.slice(1)}`;

/** Tails that come from a splice and are under no screw, by their colour. */
const looseTails = (wiring: Wiring, box: BoxId): string[] => {
  const landed = new Set(wiring.landings.flatMap(({ wire }) => ('pigtail' in wire ? [wire.pigtail] : [])));
  return wiring.joints
    .filter((joint) => joint.box === box)
    .flatMap(({ members }) =>
      members.flatMap((member) =>
        'pigtail' in member && !landed.has(member.pigtail.id)
          ? [`a ${colourWord(member.pigtail.colour)} tail of a splice`]
          : [],
      ),
    );
};

/** Wires that hang free, box by box. */
const looseIn = (job: Job, { wiring }: Subject): PracticeFault[] =>
  job.boxes.flatMap(({ id }): PracticeFault[] => {
    const wires = wiresIn(job, wiring, id).filter(({ wire }) => whereIs(wiring, wire) === 'loose');
    const loose = [...wires.map(({ words }) => words), ...looseTails(wiring, id)];
    return loose.length === 0
      ? []
      : [
          {
            ...{ stage: 'loose', box: id, section: '' },
            question: `Is every wire at ${placeName(job, id)} on something?`,
            reason: `${capital(listed(loose))} ${loose.length === 1 ? 'hangs' : 'hang'} free. What nothing uses is capped alone.`,
          },
        ];
  });

/** What is made up, as it is by now; null where the job holds no such exercise. */
const made = (job: Job): Subject | null => reviewWiring(job, BUILT) ?? null;

const tablesOf = ({ job, wiring, compiled }: Subject): TruthTable[] =>
  job.groups
    .filter(({ control }) => control === 'switched')
    .map((group) => truthTable(job, wiring, compiled, group));

/** Circuits of which it is seen at the handles, the lights and the breaker that something is wrong with what is made up. */
export const shownAtHandles = (job: Job): CircuitId[] => {
  const reviewed = made(job);
  if (!reviewed) return [];
  const shown = tablesOf(reviewed).filter(
    (table) => ofGroup(job, reviewed, table).length > 0 || bySway(job, reviewed, table.group).length > 0,
  );
  return job.circuits
    .map(({ id }) => id)
    .filter((id) => shown.some(({ group }) => findGroup(job, group)?.circuit === id));
};

/**
 * What is thought of a circuit that was made up: proved from every position of its handles, and inspected. What the plan itself is told of (what
 * is to be seen on site, and the like) is nobody's fault here.
 */
export const judgeMakeUp = (job: Job): MakeUpVerdict => {
  const reviewed = made(job);
  if (!reviewed) return { right: false, working: 0, of: 0, faults: [], ofPlan: [] };
  const groups = job.groups.filter(({ control }) => control === 'switched');
  const proofs = reviewed.proofs.filter(({ group }) => groups.some(({ id }) => id === group));
  const tables = tablesOf(reviewed);
  const planned = reviewJob(job).findings;
  const known = new Set(planned.map(findingKey));
  const violations = reviewed.findings.filter(
    // That it does not work is told by its handles.
    (one) => one.severity === 'violation' && one.rule !== 'group-works' && !known.has(findingKey(one)),
  );
  const notWorking = tables.filter((table) => {
    const proof = proofs.find(({ group }) => group === table.group);
    return proof !== undefined && proof.working < proof.of;
  });
  const faults = [
    ...looseIn(job, reviewed),
    ...notWorking.flatMap((table) => {
      const swayed = bySway(reviewed.job, reviewed, table.group);
      // What its own handles do where it hangs on others is so for one position of those others alone.
      const told = swayed.length > 0 && !isTripped(table) ? [] : ofGroup(reviewed.job, reviewed, table);
      return told.length + swayed.length > 0
        ? [...told, ...swayed]
        : [
            {
              stage: 'works' as const,
              box: null,
              section: '',
              question: 'Is anything live that should not be?',
              reason:
                'The light does as the handles say, and yet a shell, a neutral or a ground carries what it should not.',
            },
          ];
    }),
    ...violations.map((one) => ofFinding(reviewed.job, one)),
  ];
  return {
    right: faults.length === 0 && proofs.length > 0,
    working: proofs.reduce((sum, { working }) => sum + working, 0),
    of: proofs.reduce((sum, { of }) => sum + of, 0),
    faults,
    ofPlan: planned.filter(({ severity }) => severity === 'violation').map(({ title }) => title),
  };
};

/** A hint, three steps deep: what to look at, what it is, and one way to make up that box. */
export interface MakeUpHint {
  question: string;
  reason: string;
  box: BoxId | null;
  /** One way that works, in the words of its steps; any other that works is as good. */
  way: BoxLine[];
}

/** The first thing that is not as it should be, with the planned make-up of the box where it shows; null where all is right. */
export const hintOf = (job: Job, verdict: MakeUpVerdict = judgeMakeUp(job)): MakeUpHint | null => {
  const [first] = verdict.faults;
  if (!first) return null;
  const { job: planned, wiring, compiled } = reviewJob(job);
  const box = first.box ?? verdict.faults.find((one) => one.box !== null)?.box ?? null;
  return {
    ...{ question: first.question, reason: first.reason, box },
    way: box !== null && findBox(planned, box) ? boxInWords(planned, wiring, compiled, box) : [],
  };
};
