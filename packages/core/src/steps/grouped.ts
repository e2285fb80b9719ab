import type { BoxId } from '../model/ids.js';
import { cablesIn } from '../model/inBox.js';
import type { Job } from '../model/job.js';
import { circuitName } from '../model/lookup.js';
import { articleOf } from '../model/articles.js';
import { endKey, type End, type Wiring } from '../model/wiring.js';
import type { Compiled } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { circuitsByNet, type Role } from '../circuit/roles.js';
import { listed } from '../words/lists.js';
import { endWord } from '../words/wires.js';
import type { DraftStep } from './step.js';

/** Where several circuits meet in a box: the one that a net is of, in words for its splice; nothing where one circuit alone is there. */
export const createOfCircuit = (
  job: Job,
  compiled: Compiled,
  circuits: ReadonlySet<string>,
): ((net: number | undefined) => string) => {
  if (circuits.size < 2) return () => '';
  const byNet = circuitsByNet(compiled);
  return (net) => {
    const [only, ...others] = [...(byNet[net ?? -1] ?? [])];
    return only === undefined || others.length > 0 ? '' : ` of ${circuitName(job, only)}`;
  };
};

/** Where neutrals of several circuits meet in a box each is tied to its hot, circuit by circuit (200.4(B)). */
export const groupedSteps = (
  job: Job,
  wiring: Wiring,
  compiled: Compiled,
  roles: readonly Role[],
  box: BoxId,
): DraftStep[] => {
  const byNet = circuitsByNet(compiled);
  const found = new Map<string, Record<'neutral' | 'hot' | 'switchLeg', End[]>>();
  for (const { cable, side } of cablesIn(wiring, box))
    for (const colour of articleOf(job.stock, 'cable', cable.article).insulated) {
      const net = compiled.netOf(conductorKey(cable.id, colour)) ?? -1;
      const role = roles[net];
      const [circuit, ...others] = [...(byNet[net] ?? [])];
      if (circuit === undefined || others.length > 0) continue;
      if (role !== 'neutral' && role !== 'hot' && role !== 'switchLeg') continue;
      const known = found.get(circuit) ?? { neutral: [], hot: [], switchLeg: [] };
      known[role].push({ cable: cable.id, side, colour });
      found.set(circuit, known);
    }
  const withNeutral = [...found].filter(([, { neutral }]) => neutral.length > 0);
  if (withNeutral.length < 2) return [];
  const said = (ends: readonly End[]) => listed(ends.map((end) => `the ${endWord(job, wiring, end)}`));
  return withNeutral.map(([circuit, { neutral, hot, switchLeg }]) => {
    const name = circuitName(job, circuit);
    const hots = hot.length > 0 ? hot : switchLeg;
    const [first] = neutral;
    return {
      id: `${box}/grouped/${circuit}`,
      rests: [...neutral, ...hots].map(endKey).sort(),
      phase: 'hots',
      text:
        hots.length === 0
          ? `Write ${name} on ${said(neutral)}: no hot of it is in this box.`
          : `Keep ${name} together: tie or tape ${said(neutral)} to ${said(hots)}, and write ${name} on it.`,
      why: 'Another circuit is in this box. Whoever opens it next has to see which neutral goes with which breaker: joined across, it carries what no breaker watches.',
      section: '200.4(B)',
      caution: 'A neutral can be live with the other breaker off.',
      shows: first ? conductorKey(first.cable, first.colour) : null,
    };
  });
};
