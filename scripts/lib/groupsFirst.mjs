import Sequencer from '@jest/test-sequencer';
import { isGroup } from './testGroups.mjs';

/** What takes longest is begun first, so that no core waits at the end: the groups, of which no size tells it. */
export default class GroupsFirst extends Sequencer {
  sort(tests) {
    const sorted = super.sort(tests);
    return [...sorted.filter(({ path }) => isGroup(path)), ...sorted.filter(({ path }) => !isGroup(path))];
  }
}
