import type { BoxId } from '../model/ids.js';
import { cablesIn, tailsOf } from '../model/inBox.js';
import type { End, Wiring } from '../model/wiring.js';
import type { DraftStep } from './step.js';

/** Everything that is joined, landed and marked in a box. */
const madeUpIn = (wiring: Wiring, box: BoxId): unknown[] => {
  const joints = wiring.joints.filter((joint) => joint.box === box);
  const tails = new Set(joints.flatMap((joint) => tailsOf(joint).map(({ id }) => id)));
  const here = new Set(cablesIn(wiring, box).map(({ cable, side }) => `${cable.id} ${side}`));
  const isHere = ({ cable, side }: End) => here.has(`${cable} ${side}`);
  return [
    joints,
    wiring.landings.filter(({ wire }) => ('end' in wire ? isHere(wire.end) : tails.has(wire.pigtail))),
    wiring.marks.filter(({ end }) => isHere(end)),
  ];
};

/** Every wire read back before anything is folded. */
export const checkStep = (wiring: Wiring, box: BoxId, wires: number): DraftStep => ({
  id: `${box}/check`,
  rests: [wires, ...madeUpIn(wiring, box)],
  phase: 'check',
  text: `Read all ${wires} conductors back against this list, screw by screw and splice by splice. Tug each one; see its end in the connector; no copper bare beyond a screw, no insulation under it, no ground near a hot screw.`,
  why: 'A wire that slips out or sits on the wrong screw is found now in a minute, and after the wall is closed in an hour.',
  section: '110.14',
  caution: null,
  shows: null,
});
