import { UnionFind } from '../../circuit/unionFind.js';
import { evaluate } from '../../circuit/evaluate.js';
import { defineRule } from '../rule.js';

/** 404.2(A), (B): switching in the hot only; in no position does a switch contact stand on the neutral. */
export const switchHotOnly = defineRule<{ box: string }>({
  id: 'switch-hot-only',
  stage: 'roughIn',
  title: 'Switch the hot only',
  rests: 'In no handle position does a switch contact stand on a neutral.',
  section: () => '404.2(A), (B)',
  severities: ['violation'],
  check: ({ wiring, compiled }) => {
    // With every contact closed that any position closes: what is not on a neutral then never is.
    const closed = new UnionFind(compiled.netCount);
    for (const { positions } of compiled.devices) for (const [a, b] of positions.flat()) closed.join(a, b);
    const neutrals = new Set(compiled.sources.map((source) => closed.find(source.neutral)));
    const byId = new Map(compiled.devices.map((one) => [one.id, one]));
    return wiring.devices.flatMap((device) => {
      const one = byId.get(device.id);
      if (!one?.switched.some((net) => neutrals.has(closed.find(net)))) return [];
      const onNeutral = one.positions.some((_, position) => {
        const { nets } = evaluate(compiled, { [device.id]: position });
        return one.switched.some((net) => nets[net] === 'neutral');
      });
      return onNeutral
        ? [
            {
              severity: 'violation' as const,
              at: { box: device.box, device: device.id },
              data: { box: device.box },
            },
          ]
        : [];
    });
  },
  say: ({ box }, { place }) => ({
    where: place(box),
    what: 'the switch is in the neutral',
    reason: 'With the switch off the luminaire goes dark but its parts stay live.',
    remedy: 'Land the hot, travelers and switch leg on the switch, and splice the neutral past it.',
  }),
});
