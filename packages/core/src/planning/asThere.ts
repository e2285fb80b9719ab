import { articleOf } from '../model/articles.js';
import { isGroundColour, type InsulatedColour } from '../model/colours.js';
import { existingDocument } from '../model/existing.js';
import type { GroupId, SlotId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { findCable, findLuminaire } from '../model/lookup.js';
import type { Compiled } from '../circuit/compile.js';
import { compiledOnce } from '../circuit/compiledOnce.js';
import { conductorKey } from '../circuit/keys.js';
import { terminalKey, type Wiring } from '../model/wiring.js';
import { assignColours, type Colouring } from './colours.js';
import type { Net } from './nets.js';
import type { PlannedCircuit } from './planCircuit.js';

/** What a net of the wiring that is there does, in the terms of a plan. */
type Duty =
  | { kind: 'hot' | 'neutral'; circuit: string }
  | { kind: 'switchLeg'; group: GroupId }
  /** Between two neighbours; the number tells the two apart. */
  | { kind: 'traveler'; slots: readonly SlotId[]; net: number };

/** Slots whose traveler screws, of either kind, are on a net. */
const slotsOn = (job: Job, wiring: Wiring, compiled: Compiled, net: number): SlotId[] =>
  wiring.devices.flatMap(({ id, slot, article }) => {
    if (slot === null) return [];
    const on = articleOf(job.stock, 'device', article).terminals.some(
      ({ name, use }) =>
        ['traveler', 'in', 'out'].includes(use) && compiled.netOf(terminalKey({ device: id, name })) === net,
    );
    return on ? [slot] : [];
  });

const dutyOf = (job: Job, wiring: Wiring, compiled: Compiled, net: number): Duty | null => {
  const source = compiled.sources.find((one) => one.hot === net || one.neutral === net);
  if (source) return { kind: source.hot === net ? 'hot' : 'neutral', circuit: source.id };
  const lit = compiled.luminaires.find((one) => one.hot === net)?.id;
  const group = findLuminaire(job, lit)?.group;
  if (group !== undefined) return { kind: 'switchLeg', group };
  const slots = slotsOn(job, wiring, compiled, net);
  return slots.length === 2 ? { kind: 'traveler', slots, net } : null;
};

/**
 * The plan with the conductors of old cables as they are now, where what they carry stays the same: so a box in which nothing else changes
 * need not be opened. A white that brings the return stays where it is found, and is found.
 */
export const asThere = (job: Job, planned: PlannedCircuit): PlannedCircuit => {
  const document = existingDocument(job);
  if (!document) return planned;
  const { wiring } = document;
  const compiled = compiledOnce(wiring, job);
  /** Which lane an old traveler is taken for, once for the whole chain. */
  const lanes = new Map<number, Net>();
  const netFor = (duty: Duty, nets: readonly Net[]): Net | null => {
    if ('circuit' in duty)
      return nets.find(({ kind, circuit }) => kind === duty.kind && circuit === duty.circuit) ?? null;
    if ('group' in duty)
      return nets.find(({ kind, group }) => kind === 'switchLeg' && group === duty.group) ?? null;
    const known = lanes.get(duty.net);
    if (known) return nets.find(({ id }) => id === known.id) ?? null;
    const taken = new Set([...lanes.values()].map(({ id }) => id));
    const mine = nets.find((net) => {
      if (net.kind !== 'traveler' || net.group === null || taken.has(net.id)) return false;
      const chain = planned.arrangement.chains[net.group] ?? [];
      const step = Number(/T(\d+)[ab]$/.exec(net.id)?.[1]);
      return [chain[step], chain[step + 1]].every((slot) => slot !== undefined && duty.slots.includes(slot));
    });
    if (mine) lanes.set(duty.net, mine);
    return mine ?? null;
  };
  const runs = planned.runs.map((run) => {
    const { existing, carried, nets } = run;
    if (!existing || !carried || !findCable(wiring, existing.id)) return run;
    if (planned.choice.anew?.includes(existing.id)) return run;
    const { article } = carried;
    const kept = new Map<InsulatedColour, Net>();
    for (const colour of article.insulated) {
      const net = compiled.netOf(conductorKey(existing.id, colour));
      const duty = net === undefined ? null : dutyOf(job, wiring, compiled, net);
      const mine = duty && netFor(duty, nets);
      if (mine && ![...kept.values()].includes(mine)) kept.set(colour, mine);
    }
    const left = nets.filter((net) => ![...kept.values()].includes(net));
    const colours = article.insulated.filter((colour) => !kept.has(colour));
    const rest = assignColours(left, { ...article, insulated: colours }) ?? inOrder(left, colours);
    if (!rest) return run;
    const colouring = article.insulated.map((colour) => ({
      colour,
      net: kept.get(colour) ?? rest.find((one) => one.colour === colour)?.net ?? null,
    }));
    return { ...run, carried: { article, colouring } };
  });
  return { ...planned, runs };
};

/** The nets on what is left, where no lawful colours are: what is found then is found. Null where there are too few conductors. */
const inOrder = (nets: readonly Net[], colours: readonly InsulatedColour[]): Colouring | null => {
  const usable = colours.filter((colour) => !isGroundColour(colour));
  if (nets.length > usable.length) return null;
  return colours.map((colour) => ({ colour, net: nets[usable.indexOf(colour)] ?? null }));
};
