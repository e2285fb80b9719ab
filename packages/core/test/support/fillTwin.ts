import type { Job, Wiring } from '../../src/index.js';

/** Quarter inches cubed make every allowance of 14 and 12 AWG a whole number. */
const QUARTERS: Record<number, number> = { 14: 8, 12: 9 };

/**
 * Box fill counted the slow way, by walking over joints and landings instead of cables: every insulated end found in
 * the box, one by one.
 */
export const countedFill = (job: Job, wiring: Wiring, box: string, edition: number): number => {
  const cableOf = (id: string) => wiring.cables.find((cable) => cable.id === id);
  const awgOf = (id: string) => Number(cableOf(id)?.article.split('-')[0]);
  const here = (end: { cable: string; side: 'from' | 'to' }) => cableOf(end.cable)?.[end.side] === box;
  let insulated = 0;
  let bare = 0;
  let size = 99;
  const count = (end: { cable: string; side: 'from' | 'to'; colour: string }) => {
    if (!here(end)) return;
    size = Math.min(size, awgOf(end.cable));
    if (end.colour === 'bare') bare += 1;
    else insulated += QUARTERS[awgOf(end.cable)] ?? NaN;
  };
  for (const joint of wiring.joints)
    for (const member of joint.members) if ('end' in member) count(member.end);
  for (const landing of wiring.landings) if ('end' in landing.wire) count(landing.wire.end);
  const unit = QUARTERS[size] ?? 0;
  const switches = wiring.devices.filter((device) => device.box === box).length;
  const article = job.stock.find((one) => one.id === wiring.boxes[box as keyof typeof wiring.boxes]);
  const clamps = article?.kind === 'box' && article.internalClamps && insulated > 0 ? unit : 0;
  const grounds = bare === 0 ? 0 : edition < 2020 ? unit : unit + (Math.max(0, bare - 4) * unit) / 4;
  return (insulated + clamps + grounds + switches * 2 * unit) * 2500;
};
