import { articleOf } from '../../model/articles.js';
import type { Cable } from '../../model/wiring.js';
import { strangeOf, type StrangeWire } from '../../nec/strangeWire.js';
import { defineRule, type Breach } from '../rule.js';

const WORDS: Record<StrangeWire, { what: string; reason: string; remedy: string }> = {
  aluminium: {
    what: 'aluminium conductors were found',
    reason:
      'Aluminium of branch circuits creeps under a screw and burns at joints; connectors and devices for copper do not serve it.',
    remedy:
      'Stop here: this is beyond this program. Have it seen by a licensed electrician who works on aluminium.',
  },
  copperClad: {
    what: 'copper-clad aluminium was found',
    reason: 'It is aluminium inside; what is listed for copper alone does not serve it.',
    remedy:
      'Stop here: this is beyond this program. Have it seen by a licensed electrician who works on aluminium.',
  },
  knobAndTube: {
    what: 'knob-and-tube wiring was found',
    reason: 'Its conductors run apart, without a ground, and their insulation breaks when it is moved.',
    remedy:
      'Stop here: this is beyond this program. Have it seen by a licensed electrician before anything is moved.',
  },
  unknown: {
    what: 'wiring was found that nobody recognised',
    reason: 'What it is made of, and how thick it is, is not known; so neither is what it may carry.',
    remedy: 'Stop here: have it seen by a licensed electrician, and say what it is.',
  },
  cloth: {
    what: 'cloth-covered conductors were found',
    reason: 'Old insulation breaks where it is bent and was made for 60 °C; a hot luminaire has baked it.',
    remedy: 'Move it as little as can be; where it cracks, stop and have it replaced.',
  },
};

/** 110.14, 310.106: conductors that this program does not plan through. It stops with its caution instead. */
export const strangeWire = defineRule<{ cable: Cable; kind: StrangeWire }>({
  id: 'strange-wire',
  stage: 'roughIn',
  title: 'Conductors are of copper, and recognised',
  rests: 'What was told of each cable as it was found. This program plans through copper alone.',
  section: () => '110.14, 394.12',
  severities: ['violation', 'caution'],
  check: ({ job, wiring }) =>
    wiring.cables.flatMap((cable): Breach<{ cable: Cable; kind: StrangeWire }>[] => {
      const kind = strangeOf(articleOf(job.stock, 'cable', cable.article));
      if (kind === null) return [];
      const severity = kind === 'cloth' ? 'caution' : 'violation';
      return [{ severity, at: { cable: cable.id, box: cable.to }, data: { cable, kind } }];
    }),
  say: ({ cable, kind }, { runOf }) => ({ where: runOf(cable), ...WORDS[kind] }),
});
