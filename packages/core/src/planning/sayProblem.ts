import { lyingCables } from '../model/lying.js';
import type { Said } from '../words/said.js';
import { listed } from '../words/lists.js';
import { placeName } from '../words/places.js';
import { findCircuit, findGroup, findLuminaire } from '../model/lookup.js';
import { articleOf } from '../model/articles.js';
import { PANEL, type TreePlace } from '../model/ids.js';
import { isBetween, type Job } from '../model/job.js';
import { cubicInches, feetInches } from '../model/units.js';
import type { PlanProblem } from './problem.js';

const ROLE_WORDS: Record<string, string> = {
  occupancySensor: 'occupancy sensor',
  switchReceptacle: 'switch and receptacle',
};
const sayRole = (role: string) => ROLE_WORDS[role] ?? role;

interface Names {
  job: Job;
  place: (node: TreePlace) => string;
  group: (id: string) => string;
}

type Of<C extends PlanProblem['code']> = Extract<PlanProblem, { code: C }>;

/** One entry for each refusal: the compiler asks for it where a new one is made. */
const WORDS: { [C in PlanProblem['code']]: (problem: Of<C>, names: Names) => Said } = {
  NoChoice: () => ({
    what: 'The order of the run is not set',
    reason: 'Nobody has said where power enters and which box each cable comes from.',
    remedy: 'Set the power entry and the order of the run.',
  }),
  TwoFeeds: (problem, { place }) => {
    const places = [...new Set(problem.places.map(place))];
    return {
      what: `Two feeds are chosen for one circuit: ${listed(places)}`,
      reason:
        'Fed from both ends, the circuit has two ways for its current, and stays live when one feed is opened.',
      remedy: 'Keep one power entry and take the other out.',
    };
  },
  TwoHomeRuns: (problem, { place }) => ({
    what: `Two cables of one circuit leave the panel, to ${listed(problem.boxes.map(place))}`,
    reason: 'The screw of a breaker holds one wire, unless it is marked for more (110.14(A)).',
    remedy: 'Bring one home run to the first box and branch there.',
  }),
  RunWithinBox: (problem, { place }) => ({
    what: `A run begins and ends in ${place(problem.box)}`,
    reason: 'What stays in one box is a splice, not a cable.',
    remedy: 'Bring the return run from a switch, or take it out.',
  }),
  ThroughOtherWork: ({ box }, { place }) => ({
    what: `A cable is led on from ${place(box)}, which is other work`,
    reason:
      'What hangs there is not of this plan: it is neither opened nor judged, and may be changed by others.',
    remedy: 'Lead the cable on from a box of this plan.',
  }),
  ApartDoesNotMatch: ({ box }, { place }) => ({
    what: `What is kept apart in ${place(box)} is not what is there`,
    reason:
      'The way that was chosen names groups of this box that are not in it, or a cable to a group that is not kept apart.',
    remedy: 'Choose the way anew.',
  }),
  PartApart: (problem, { job, place }) => ({
    what: `${findLuminaire(job, problem.luminaire)?.name ?? ''} is kept apart from the fan that it is part of, in ${place(problem.box)}`,
    reason:
      'They share one neutral lead: it would join the neutrals of two cables, and their currents would go round (300.3(B), 310.10).',
    remedy: 'Bring both by one cable: choose the way anew.',
  }),
  SwitchOnHotGroup: (problem, { place, group }) => ({
    what: `${group(problem.group)} is never switched, but ${place(problem.box)} has a switch of it`,
    reason: 'What hangs on the hot itself has no switch.',
    remedy: 'Make it a switched group, or take the switch out.',
  }),
  PartElsewhere: (problem, { job, place }) => ({
    what: `${findLuminaire(job, problem.luminaire)?.name ?? ''} is part of a fan that is not in ${place(problem.box)}`,
    reason:
      'A light that is part of a fan shares its neutral and ground, so both are in one box and on one circuit.',
    remedy: 'Put both in one box on one circuit, or make the light a luminaire of its own.',
  }),
  ReturnWithoutLuminaire: (problem, { place }) => ({
    what: `A return run leads to ${place(problem.box)}, where no switched luminaire of the circuit hangs`,
    reason: 'A return run brings the switch leg and a neutral of its own back to the luminaire.',
    remedy: 'Lead the run to the luminaire box, or take it out.',
  }),
  ForbiddenRun: (problem, { place }) => ({
    what: `The run ${place(problem.run.from)} to ${place(problem.run.to)} is forbidden`,
    reason: 'The job says that no cable can go there.',
    remedy: 'Take the cable another way, or allow the run.',
  }),
  ForcedRunMissing: (problem, { place }) => ({
    what: `The run ${place(problem.run.from)} to ${place(problem.run.to)} is forced and not taken`,
    reason: 'The job says that a cable has to go there.',
    remedy: 'Put it on the run, or release it.',
  }),
  NoGroup: (_problem) => ({
    what: 'Nothing is controlled',
    reason: 'The circuit has no control group.',
    remedy: 'Add a switch location and a luminaire.',
  }),
  GroupWithoutSwitch: (problem, { group }) => ({
    what: `${group(problem.group)} has no switch`,
    reason: 'A control group needs one switch location or more.',
    remedy: 'Add a switch location.',
  }),
  GroupWithoutLuminaire: (problem, { group }) => ({
    what: `${group(problem.group)} has no luminaire`,
    reason: 'There is nothing for the switches to control.',
    remedy: 'Add a luminaire.',
  }),
  FeedOfAnotherCircuit: () => ({
    what: 'The feed belongs to another circuit',
    reason: 'The chosen power entry is a feed of a different breaker.',
    remedy: 'Choose a power entry of this circuit.',
  }),
  FedByAnotherCircuit: (problem, { job, place }) => {
    const box = problem.box;
    const others = lyingCables(job)
      .filter((cable) => isBetween(cable, PANEL, box))
      .flatMap((cable) => findCircuit(job, cable.circuit)?.name ?? []);
    return {
      what: `Power of this circuit does not arrive at ${place(box)}`,
      reason: `The cable that lies from the panel to it carries ${listed([...new Set(others)])}.`,
      remedy: 'Choose another power entry, or say which circuit that cable is of.',
    };
  },
  TreeNotConnected: (problem, { place }) => ({
    what: `No cable reaches ${problem.unreached.map(place).join(', ')}`,
    reason: `Starting at ${place(problem.feedAt)}, where power enters, the runs do not lead there.`,
    remedy: 'Give each of these places a run from a place that is reached.',
  }),
  RingOfCables: (problem, { place }) => ({
    what: `The run ${place(problem.run.from)} to ${place(problem.run.to)} closes a ring of cables`,
    reason:
      'Current could split between two cables; all conductors of a circuit run together (300.3(B)) and small conductors are not paralleled (310.10).',
    remedy: 'Take one run of the ring out.',
  }),
  RunTooWide: (problem, { place }) => ({
    what: `${place(problem.run.from)} to ${place(problem.run.to)} needs ${problem.conductors} conductors`,
    reason: `The widest cable that this job buys has ${problem.most}, and on this run they cannot be split over two cables whose currents each sum to zero.`,
    remedy: 'Change the order of the run or the power entry, or bring a neutral to fewer switches.',
  }),
  LongerThanCoil: (problem, { job, place }) => ({
    what: `${place(problem.run.from)} to ${place(problem.run.to)} needs ${feetInches(problem.cut)} of ${articleOf(job.stock, 'cable', problem.article).name} in one piece`,
    reason: `A coil holds ${feetInches(problem.coil)}, and a cable is not spliced on its way but in a box that stays accessible (300.15, 314.29).`,
    remedy: 'Shorten the run, put a box on its way, or add a longer coil to the stock.',
  }),
  NoCableOfSize: (problem) => ({
    what: `The stock has no ${problem.awg} AWG cable`,
    reason: 'Every conductor of the circuit is to have this size.',
    remedy: 'Choose another conductor size or add the cable to the stock.',
  }),
  ChainDoesNotMatch: (problem, { group }) => ({
    what: `The switch order of ${group(problem.group)} does not name each of its switches once`,
    reason: 'A switch was added or taken out since the order was set.',
    remedy: 'Set the order again, or leave it to the program.',
  }),
  NoDeviceInStock: (problem, { place }) => ({
    what: `The stock has no ${problem.letter ?? ''} ${sayRole(problem.role)} of ${problem.amperes} A`.replace(
      / {2,}/g,
      ' ',
    ),
    reason: `${place(problem.box)} asks for it, and a device is rated for the circuit it is on (404.14, 210.21(B)).`,
    remedy: 'Add one to the stock.',
  }),
  DeviceDoesNotSuit: (problem, { job, place }) => {
    const device = articleOf(job.stock, 'device', problem.article).name;
    return {
      where: place(problem.box),
      what: `${device} does not suit`,
      reason: {
        letter: `It has ${problem.terminals} terminals beside the ground; ${problem.conductors} conductors reach this place of the chain, which takes ${problem.letter === null ? 'a receptacle' : `an ${problem.letter} switch`}.`,
        role: 'It is another kind of device than the location asks for.',
        amperes:
          'It is rated for less than its load; one that controls receptacles, for less than the breaker (404.14).',
        chainEnd: 'It works only at one end of the chain, and stands elsewhere.',
        alone: 'It is the companion of another device and does nothing without that one.',
        companion: 'Another device of the group works with its own companion only.',
      }[problem.why],
      remedy: 'Choose another device, or leave the choice to the program.',
    };
  },
  NoBoxFits: (problem, { place }) => ({
    what: `No box of the stock fits ${place(problem.box)}`,
    reason:
      problem.largest === 0
        ? `It takes ${problem.gangs === 0 ? 'a box for the luminaire it has to hold' : `${problem.gangs} gangs`} of the wanted kind, and there is none.`
        : `${cubicInches(problem.needed)} are needed; the largest of its kind has ${cubicInches(problem.largest)}: ${cubicInches(problem.needed - problem.largest)} short (314.16).`,
    remedy: `Add a box of ${cubicInches(problem.needed)} or more to the stock, or bring power in elsewhere.`,
  }),
  TooManyDevices: (problem, { place }) => ({
    what: `${place(problem.box)} holds ${problem.gangs} device${problem.gangs === 1 ? '' : 's'}, ${problem.devices} are planned`,
    reason: 'The box has a space for each gang.',
    remedy: 'Choose a box with more gangs.',
  }),
  NoConnectorInStock: (problem, { place }) => ({
    what: `No connector joins ${problem.conductors} conductors in ${place(problem.box)}`,
    reason: 'A splice needs a connector listed for its number and sizes (110.14(B)).',
    remedy: 'Add a connector to the stock.',
  }),
};

/** The words for a refusal to plan. */
export const sayProblem = (job: Job, problem: PlanProblem): Said => {
  const say = WORDS[problem.code] as (problem: PlanProblem, names: Names) => Said;
  return say(problem, {
    job,
    place: (node) => placeName(job, node),
    group: (id) => findGroup(job, id)?.name ?? id,
  });
};
