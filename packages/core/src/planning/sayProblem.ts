import { PANEL } from '../model/ids.js';
import type { Job } from '../model/job.js';
import type { PlanProblem } from './problem.js';

/** The words for a refusal to plan: what is wrong, where, and how to mend it. */
export const sayProblem = (
  job: Job,
  problem: PlanProblem,
): { title: string; reason: string; remedy: string } => {
  const place = (id: string) =>
    id === PANEL ? 'the panel' : (job.boxes.find((box) => box.id === id)?.name ?? id);
  const group = (id: string) => job.groups.find((one) => one.id === id)?.name ?? id;
  switch (problem.code) {
    case 'NoChoice':
      return {
        title: 'The order of the run is not set',
        reason: 'Nobody has said where power enters and which box each cable comes from.',
        remedy: 'Set the power entry and the order of the run.',
      };
    case 'NoGroup':
      return {
        title: 'Nothing is controlled',
        reason: 'The circuit has no control group.',
        remedy: 'Add a switch location and a luminaire.',
      };
    case 'GroupWithoutSwitch':
      return {
        title: `${group(problem.group)} has no switch`,
        reason: 'A control group needs one switch location or more.',
        remedy: 'Add a switch location.',
      };
    case 'GroupWithoutLuminaire':
      return {
        title: `${group(problem.group)} has no luminaire`,
        reason: 'There is nothing for the switches to control.',
        remedy: 'Add a luminaire.',
      };
    case 'FeedOfAnotherCircuit':
      return {
        title: 'The feed belongs to another circuit',
        reason: 'The chosen power entry is a feed of a different breaker.',
        remedy: 'Choose a power entry of this circuit.',
      };
    case 'TreeNotConnected':
      return {
        title: `No cable reaches ${problem.unreached.map(place).join(', ')}`,
        reason: `Starting at ${place(problem.feedAt)}, where power enters, the runs do not lead there.`,
        remedy: 'Give each of these places a run from a place that is reached.',
      };
    case 'RingOfCables':
      return {
        title: `The run ${place(problem.run.from)} to ${place(problem.run.to)} closes a ring of cables`,
        reason:
          'Current could split between two cables; all conductors of a circuit run together (300.3(B)) and small conductors are not paralleled (310.10).',
        remedy: 'Take one run of the ring out.',
      };
    case 'RunTooWide':
      return {
        title: `${place(problem.run.from)} to ${place(problem.run.to)} needs ${problem.conductors} conductors`,
        reason: `The widest cable in the stock has ${problem.most}, and on this run they cannot be split over two cables whose currents each sum to zero.`,
        remedy: 'Change the order of the run or the power entry, or bring a neutral to fewer switches.',
      };
    case 'NoCableOfSize':
      return {
        title: `The stock has no ${problem.awg} AWG cable`,
        reason: 'Every conductor of the circuit is to have this size.',
        remedy: 'Choose another conductor size or add the cable to the stock.',
      };
    case 'ChainDoesNotMatch':
      return {
        title: `The switch order of ${group(problem.group)} does not name each of its switches once`,
        reason: 'A switch was added or taken out since the order was set.',
        remedy: 'Set the order again, or leave it to the program.',
      };
    case 'NoDeviceInStock':
      return {
        title: `The stock has no ${problem.letter} switch of ${problem.amperes} A`,
        reason: 'A switch is rated for the circuit it is on (404.14).',
        remedy: 'Add one to the stock.',
      };
    case 'TooManyDevices':
      return {
        title: `${place(problem.box)} holds ${problem.gangs} device${problem.gangs === 1 ? '' : 's'}, ${problem.devices} are planned`,
        reason: 'The box has a space for each gang.',
        remedy: 'Choose a box with more gangs.',
      };
    case 'NoConnectorInStock':
      return {
        title: `No connector joins ${problem.conductors} conductors in ${place(problem.box)}`,
        reason: 'A splice needs a connector listed for its number and sizes (110.14(B)).',
        remedy: 'Add a connector to the stock.',
      };
  }
};
