import { articleOf } from '../model/articles.js';
import type { Colour } from '../model/colours.js';
import { existingDocument } from '../model/existing.js';
import type { CableId, CircuitId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { compile } from '../circuit/compile.js';
import { conductorKey } from '../circuit/keys.js';
import { rolesOf, type Role } from '../circuit/roles.js';
import { usualWiring } from '../existing/usualWiring.js';
import { tapeKey, type Stub, type WiresFound } from './found.js';
import type { WiresTold } from './identify.js';
import { withWiresTold } from './toExisting.js';

/** What a wire of a cable usually is, where its cables go as they were told. */
export interface UsualDuty {
  wire: Stub['wires'][number];
  duty: Exclude<Role, 'ground' | 'conflict'>;
}

/**
 * What each wire is as a rule, in a circuit whose cables go as they were told: by end of a cable. A proposal for the make-up, no fact; nothing where
 * nothing is usual, or where not every cable and the feed are told.
 */
export const usualDuties = (
  job: Job,
  circuit: CircuitId,
  found: WiresFound,
  told: WiresTold,
): ReadonlyMap<string, readonly UsualDuty[]> => {
  const duties = new Map<string, UsualDuty[]>();
  const put = withWiresTold(job, circuit, found, told);
  if (!put.ok || told.feed.feed?.hot.length !== 1) return duties;
  const before = new Set<CableId>(existingDocument(job)?.wiring.cables.map(({ id }) => id));
  const cables = existingDocument(put.value)?.wiring.cables.filter(({ id }) => !before.has(id)) ?? [];
  const boxes = [...new Set(found.stubs.map(({ box }) => box))];
  const usual = usualWiring(put.value, { circuit, cables, boxes });
  if (!usual.ok) return duties;
  const compiled = compile(usual.wiring, put.value);
  const roles = rolesOf(compiled);
  for (const { stub, told: end } of told.ends) {
    if (stub.loose || end.state === 'open') continue;
    // On file a cable has the names of that end that comes first.
    const isFirst = end.state === 'elsewhere' || tapeKey(stub) < tapeKey(end.to);
    const first = isFirst || end.state !== 'cable' ? stub : end.to;
    const cable = cables.find(({ id }) => id.startsWith(`told:${tapeKey(first).replaceAll('#', '~')}`));
    if (!cable) continue;
    const { insulated } = articleOf(put.value.stock, 'cable', cable.article);
    const onFile = (wire: Stub['wires'][number]): Colour | null =>
      isFirst || end.state !== 'cable' ? wire : (end.across.find(({ a }) => a === wire)?.b ?? null);
    const own = stub.wires.flatMap((wire): UsualDuty[] => {
      const name = onFile(wire);
      if (name === null || !insulated.some((one) => one === name)) return [];
      const net = compiled.netOf(conductorKey(cable.id, name));
      const role = net === undefined ? 'spare' : (roles[net] ?? 'spare');
      return role === 'conflict' || role === 'ground' ? [] : [{ wire, duty: role }];
    });
    if (own.length === stub.wires.length) duties.set(tapeKey(stub), own);
  }
  return duties;
};
