import type { Job } from '../../src/index.js';
import { carriedOn, type Shorthand } from './jobs.js';

type Case = [name: string, short: Shorthand, runs: Record<string, string>];

const chain2 = ['S1', 'S2'];
const chain3 = ['S1', 'S2', 'S3'];
const chain5 = ['S1', 'S2', 'S3', 'S4', 'S5'];

/**
 * The familiar arrangements: nothing is given but the tree, the order and the neutrals. Of each run the insulated
 * conductors by what they carry: H, N, SL, T for a traveler; "re" before what rides on the re-identified white.
 */
export const TEXTBOOK: Case[] = [
  [
    'single-pole, power at the switch',
    { runs: ['F-S1', 'S1-L'], neutralAt: ['S1'] },
    { 'F-S1': 'H N', 'S1-L': 'N SL' },
  ],
  [
    'single-pole, power at the light, neutral required',
    { runs: ['F-L', 'L-S1'], neutralAt: ['S1'] },
    { 'F-L': 'H N', 'L-S1': 'H N SL' },
  ],
  [
    'single-pole, power at the light, no neutral required',
    { runs: ['F-L', 'L-S1'], neutralAt: [] },
    { 'F-L': 'H N', 'L-S1': 'SL re H' },
  ],
  [
    'three-way in line',
    { runs: ['F-S1', 'S1-S2', 'S2-L'], chain: chain2, neutralAt: chain2 },
    { 'F-S1': 'H N', 'S1-S2': 'N T T', 'S2-L': 'N SL' },
  ],
  [
    'three-way, power at the light, neutral at neither',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: ['S2', 'S1'], neutralAt: [] },
    { 'F-L': 'H N', 'L-S1': 'SL re H', 'S1-S2': 'T T re H' },
  ],
  [
    'three-way, power at the light, neutral at the first',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: ['S2', 'S1'], neutralAt: ['S1'] },
    { 'F-L': 'H N', 'L-S1': 'H N SL', 'S1-S2': 'T T re H' },
  ],
  [
    'three-way, power at the light, neutral at both, line end far',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: ['S2', 'S1'], neutralAt: chain2 },
    { 'F-L': 'H N', 'L-S1': 'H N SL', 'S1-S2': 'H N T T' },
  ],
  [
    'three-way, power at the light, neutral at both, line end near',
    { runs: ['F-L', 'L-S1', 'S1-S2'], chain: chain2, neutralAt: chain2 },
    { 'F-L': 'H N', 'L-S1': 'H N SL', 'S1-S2': 'N SL T T' },
  ],
  [
    'three-way, light between, neutral at the first',
    { runs: ['F-S1', 'S1-L', 'L-S2'], chain: chain2, neutralAt: ['S1'] },
    { 'F-S1': 'H N', 'S1-L': 'N T T', 'L-S2': 'SL T re T' },
  ],
  [
    'three-way, light between, neutral at both',
    { runs: ['F-S1', 'S1-L', 'L-S2'], chain: chain2, neutralAt: chain2 },
    { 'F-S1': 'H N', 'S1-L': 'N T T', 'L-S2': 'N SL T T' },
  ],
  [
    'three-way, return run',
    { runs: ['F-L', 'L-S1', 'S1-S2', "S2-L'"], chain: chain2, neutralAt: chain2 },
    { 'F-L': 'H N', 'L-S1': 'H N', 'S1-S2': 'N T T', "S2-L'": 'N SL' },
  ],
  [
    'four-way in line',
    { runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-L'], chain: chain3, neutralAt: chain3 },
    { 'F-S1': 'H N', 'S1-S2': 'N T T', 'S2-S3': 'N T T', 'S3-L': 'N SL' },
  ],
  [
    'four-way, power at the light, no neutral required',
    { runs: ['F-L', 'L-S1', 'S1-S2', 'S2-S3'], chain: ['S3', 'S2', 'S1'], neutralAt: [] },
    { 'F-L': 'H N', 'L-S1': 'SL re H', 'S1-S2': 'T T re H', 'S2-S3': 'T T re H' },
  ],
  [
    'four-way, power at the last switch, no neutral',
    { runs: ['F-S3', 'S3-L', 'S3-S2', 'S2-S1'], chain: chain3, neutralAt: ['S3'] },
    { 'F-S3': 'H N', 'S3-L': 'N SL', 'S3-S2': 'T T re H', 'S2-S1': 'T T re H' },
  ],
  [
    'four-way, power at the last switch, neutral at the second',
    { runs: ['F-S3', 'S3-L', 'S3-S2', 'S2-S1'], chain: chain3, neutralAt: ['S3', 'S2'] },
    { 'F-S3': 'H N', 'S3-L': 'N SL', 'S3-S2': 'H N T T', 'S2-S1': 'T T re H' },
  ],
  [
    'four-way, power at the last switch, neutral at all',
    { runs: ['F-S3', 'S3-L', 'S3-S2', 'S2-S1'], chain: chain3, neutralAt: chain3 },
    { 'F-S3': 'H N', 'S3-L': 'N SL', 'S3-S2': 'H N T T', 'S2-S1': 'H N T T' },
  ],
  [
    'four-way, power into the middle box',
    { runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'], chain: chain3, neutralAt: ['S2', 'S3'] },
    { 'F-S2': 'H N', 'S2-S1': 'T T re H', 'S2-S3': 'N T T', 'S3-L': 'N SL' },
  ],
  [
    'four-way, power into the middle box, neutral at the first',
    { runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'], chain: chain3, neutralAt: chain3 },
    { 'F-S2': 'H N', 'S2-S1': 'H N T T', 'S2-S3': 'N T T', 'S3-L': 'N SL' },
  ],
  [
    'five switches in a straight chain',
    { runs: ['F-S1', 'S1-S2', 'S2-S3', 'S3-S4', 'S4-S5', 'S5-L'], chain: chain5, neutralAt: chain5 },
    {
      'F-S1': 'H N',
      'S1-S2': 'N T T',
      'S2-S3': 'N T T',
      'S3-S4': 'N T T',
      'S4-S5': 'N T T',
      'S5-L': 'N SL',
    },
  ],
  [
    'several luminaires on the switch leg',
    { runs: ['F-S1', 'S1-L1', 'L1-L2', 'L2-L3'], neutralAt: ['S1'] },
    { 'F-S1': 'H N', 'S1-L1': 'N SL', 'L1-L2': 'N SL', 'L2-L3': 'N SL' },
  ],
  [
    'luminaires between the feed and the switch, the hot passing along',
    { runs: ['F-L1', 'L1-L2', 'L2-S1'], neutralAt: ['S1'] },
    { 'F-L1': 'H N', 'L1-L2': 'H N SL', 'L2-S1': 'H N SL' },
  ],
];

/** Insulated conductors of each run by what they carry. */
export const inWords = (job: Job): Record<string, string> =>
  Object.fromEntries(
    Object.entries(carriedOn(job)).map(([run, colours]) => [
      run,
      Object.entries(colours)
        .map(([colour, net]) => {
          const word = net.replace(/^T.*/, 'T');
          return colour === 'white' && word !== 'N' ? `re ${word}` : word;
        })
        .sort((a, b) => a.localeCompare(b, 'en'))
        .sort((a, b) => Number(a.startsWith('re')) - Number(b.startsWith('re')))
        .join(' '),
    ]),
  );
