import type { LabourShare } from '@amber/core';

type Work = LabourShare['byKind'][number]['work'];

const WORDS: Record<Work, string> = {
  'foot open': 'Cable through open framing',
  'foot attic': 'Cable in the attic',
  'foot basement': 'Cable in the basement',
  'foot fished': 'Cable fished',
  run: 'Runs set up',
  opening: 'Drywall openings',
  'new box': 'New boxes',
  'old-work box': 'Boxes in finished walls',
  'existing box': 'Boxes opened',
  'splice lever': 'Splices, lever',
  'splice pushIn': 'Splices, push-in',
  'splice twistOn': 'Splices, twist-on',
  'splice groundingTwistOn': 'Splices, grounding twist-on',
  'splice crimp': 'Splices, crimped',
  device: 'Devices',
  luminaire: 'Luminaires hung',
  'above 10 ft': 'Higher than 10 ft',
};

export const workWord = (work: Work): string => WORDS[work];
