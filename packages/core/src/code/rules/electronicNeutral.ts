import { findGroup, findSlot } from '../../model/lookup.js';
import { articleOf } from '../../model/articles.js';
import { terminalKey } from '../../model/wiring.js';
import { defineRule, type Breach } from '../rule.js';

interface Found {
  box: string;
  /** What the neutral terminal stands on instead; `notKnown` where not all that it may be joined with was seen. */
  on: 'ground' | 'otherCircuit' | 'nothing' | 'notKnown';
}

/** 404.2(C), 404.22 from 2017: an electronic switch has its neutral from its own circuit, never from the ground. */
export const electronicNeutral = defineRule<Found>({
  id: 'electronic-neutral',
  stage: 'final',
  title: 'A device that needs a neutral gets it from its own circuit',
  rests:
    'No standby current on the ground, but for listed retrofit devices where a replacement finds no neutral.',
  section: (edition) => (edition >= 2017 ? '404.22, 200.4' : '404.2(C), 200.4'),
  severities: ['violation', 'verify'],
  check: ({ job, wiring, compiled, roles, circuits, unknown }) =>
    wiring.devices.flatMap((device): Breach<Found>[] => {
      const slot = findSlot(job, device.slot);
      const circuit = findGroup(job, slot?.group)?.circuit;
      const { terminals, bridged } = articleOf(job.stock, 'device', device.article);
      const twins = new Set(bridged.map(([, twin]) => twin));
      if (circuit === undefined) return [];
      return terminals
        .filter((one) => one.use === 'neutral' && !twins.has(one.name))
        .flatMap(({ name }): Breach<Found>[] => {
          const terminal = { device: device.id, name };
          const net = compiled.netOf(terminalKey(terminal)) ?? -1;
          // Where neutrals of two circuits are joined, a rule of its own says so.
          if (roles[net] === 'neutral' && circuits[net]?.has(circuit)) return [];
          const none = unknown.has(net) ? 'notKnown' : 'nothing';
          const on = roles[net] === 'ground' ? 'ground' : roles[net] === 'neutral' ? 'otherCircuit' : none;
          return [
            {
              severity: on === 'notKnown' ? 'verify' : 'violation',
              at: { box: device.box, device: device.id, terminal },
              data: { box: device.box, on },
            },
          ];
        });
    }),
  say: ({ box, on }, { place }) => ({
    where: place(box),
    what: {
      ground: 'a device takes its standby current from the ground',
      otherCircuit: 'a device has the neutral of another circuit',
      nothing: 'a device that needs a neutral has none',
      notKnown: 'a device needs a neutral, and it was not seen that it has one',
    }[on],
    reason: {
      ground: 'Current on the ground makes every metal part it bonds a conductor.',
      otherCircuit:
        'The current comes back on another circuit, whose breaker may be off or whose arc-fault device trips.',
      nothing: 'It does not work, or only by accident.',
      notKnown: 'Nobody has looked at all that it may be joined with.',
    }[on],
    remedy: `${on === 'notKnown' ? 'Look first. ' : ''}Land it on the neutral of its own circuit; bring one to the box where there is none.`,
  }),
});
