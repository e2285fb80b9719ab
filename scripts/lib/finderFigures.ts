/**
 * How soon faults are found, against trying every position and then opening boxes in their order, and against the best that full search finds on
 * small circuits. Faults are hidden in another process, which answers by nodal analysis. Run by `npm run bench` and, at length, by `npm run prove`.
 */
import { fork } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import {
  createFinder,
  reviewJob,
  type FaultQuestion,
  type Finder,
  type Observation,
  type Positions,
} from '@amber/core';
import { effortOf } from '../../packages/core/src/diagnosis/effort.js';
import { finderJobs } from './finderJobs.js';
import { leastMinutes } from './leastMinutes.js';

const [jobCount, faults, pairs, wrongOnes] = process.argv.slice(2).map(Number);
const jobs = finderJobs(jobCount ?? 4);
const child = fork(fileURLToPath(new URL('./faultyHouse.ts', import.meta.url)), [String(jobs.length)], {
  execArgv: ['--import', 'tsx'],
});
const tell = <T>(message: object): Promise<T> =>
  new Promise((resolve) => {
    child.once('message', (answer) => resolve(answer as T));
    child.send(message);
  });

const finders = jobs.flatMap((asked, job) => {
  const review = reviewJob(asked);
  return review.job.circuits.flatMap(({ id }) => {
    const finder = createFinder(review, id);
    return finder.scope.groups.length > 0 ? [{ job, circuit: id, finder }] : [];
  });
});

const MOST_ASKED = 80;
const ASKING = { history: 'new', isElectrician: true } as const;
const steps: number[] = [];
const firsts: number[] = [];

interface Searched {
  found: boolean;
  /** Nothing that a handle shows: the sheet says so, and nothing is looked for. */
  hiddenFromHandles: boolean;
  inClass: boolean;
  asked: number;
  opened: number;
  live: number;
  minutes: number;
}

const search = async (
  finder: Finder,
  wrong: (answer: Observation['answer'], question: FaultQuestion) => Observation['answer'] = (answer) =>
    answer,
): Promise<Searched> => {
  const observations: Observation[] = [];
  let positions: Positions = {};
  let [opened, live, minutes] = [0, 0, 0];
  for (;;) {
    const began = performance.now();
    const last = finder.at(observations, { ...ASKING, positions });
    (observations.length === 0 ? firsts : steps).push(performance.now() - began);
    const question = last.again?.question ?? last.questions[0]?.question;
    const ended = last.state === 'found' || last.state === 'nothingSeen';
    if (ended || !question || observations.length >= MOST_ASKED) {
      const { troubles } = await tell<{ troubles: unknown }>({ reveal: true });
      const inClass = last.suspects.some(
        ({ against, hypothesis }) =>
          against === 0 && JSON.stringify(hypothesis.troubles) === JSON.stringify(troubles),
      );
      const found = last.state === 'found';
      return {
        ...{ found, inClass, asked: observations.length, opened, live, minutes },
        hiddenFromHandles: last.state === 'nothingSeen',
      };
    }
    const open = new Set(
      observations.flatMap((one) => (one.question.kind === 'look' ? [one.question.box] : [])),
    );
    minutes += effortOf(finder.scope, { positions, open }, question);
    if (question.kind === 'look') opened++;
    if (question.kind === 'volts') live++;
    if ('positions' in question) positions = question.positions;
    const { answer } = await tell<{ answer: Observation['answer'] }>({ question });
    observations.push({ question, answer: wrong(answer, question) });
  }
};

/** Every position is tried, then the breaker, then boxes in the order of the run until the fault is seen. */
const plainly = async (finder: Finder): Promise<{ asked: number; opened: number; minutes: number }> => {
  const { scope } = finder;
  let [asked, opened, minutes] = [0, 0, 0];
  let positions: Positions = {};
  const all = finder.at([], { ...ASKING, positions });
  const sets = all.questions.flatMap(({ question }) => (question.kind === 'flip' ? [question] : []));
  const looks: FaultQuestion[] = [
    { kind: 'breaker', circuit: scope.circuit },
    ...scope.luminaires.map((luminaire): FaultQuestion => ({
      kind: 'lamp',
      luminaire,
      positions: scope.litAt(luminaire),
    })),
    ...scope.boxes.map((box): FaultQuestion => ({ kind: 'look', box })),
    { kind: 'panel', circuit: scope.circuit },
  ];
  for (const question of [...sets, ...looks]) {
    asked++;
    minutes += effortOf(scope, { positions, open: new Set() }, question);
    if ('positions' in question) positions = question.positions;
    if (question.kind === 'look') opened++;
    const { answer } = await tell<{ answer: Observation['answer'] }>({ question });
    if (answer.kind === 'is' && ['other', 'helped', 'off'].includes(answer.word)) break;
  }
  return { asked, opened, minutes };
};

const at = (all: number[], part: number) =>
  [...all].sort((a, b) => a - b)[Math.min(all.length - 1, Math.floor(all.length * part))] ?? 0;
const mean = (all: number[]) => all.reduce((sum, one) => sum + one, 0) / Math.max(1, all.length);
const figures = (name: string, all: number[]) =>
  `${name} median ${at(all, 0.5)}, 95 of 100 below ${at(all, 0.95)}, mean ${mean(all).toFixed(1)}`;

const round = async (
  count: number,
  number: number,
  wrong?: (answer: Observation['answer'], question: FaultQuestion) => Observation['answer'],
): Promise<{
  mine: Searched[];
  plain: { asked: number; opened: number; minutes: number }[];
  unseen: number;
}> => {
  const mine: Searched[] = [];
  const plain: { asked: number; opened: number; minutes: number }[] = [];
  let unseen = 0;
  for (let k = 0; mine.length < count && k < 4 * count; k++) {
    const { job, circuit, finder } = finders[k % finders.length] ?? {};
    if (job === undefined || circuit === undefined || !finder) break;
    const { hidden } = await tell<{ hidden: boolean }>({
      hide: { job, circuit, seed: 101 + 7 * k, faults: number },
    });
    if (!hidden) continue;
    const found = await search(finder, wrong);
    if (found.hiddenFromHandles) {
      unseen++;
      continue;
    }
    mine.push(found);
    if (!wrong && number === 1) plain.push(await plainly(finder));
  }
  return { mine, plain, unseen };
};

const share = (all: readonly boolean[]) =>
  `${((100 * all.filter(Boolean).length) / Math.max(1, all.length)).toFixed(1)} %`;

const { mine, plain, unseen } = await round(faults ?? 60, 1);
console.log(
  [
    `finder: ${mine.length} single faults in ${finders.length} circuits, ${unseen} more that no handle shows`,
    `  seen in the end ${share(mine.map(({ found }) => found))}, the true one among those nothing speaks against ${share(mine.map(({ inClass }) => inClass))}`,
    `  ${figures(
      'questions',
      mine.map(({ asked }) => asked),
    )}; every position, then every box: ${figures(
      '',
      plain.map(({ asked }) => asked),
    )}`,
    `  ${figures(
      'boxes opened',
      mine.map(({ opened }) => opened),
    )}; every box in turn: ${figures(
      '',
      plain.map(({ opened }) => opened),
    )}`,
    `  minutes ${mean(mine.map(({ minutes }) => minutes)).toFixed(1)} against ${mean(plain.map(({ minutes }) => minutes)).toFixed(1)}; live readings ${mine.reduce((sum, one) => sum + one.live, 0)}`,
  ].join('\n'),
);

const two = await round(pairs ?? 20, 2);
console.log(
  `finder: ${two.mine.length} pairs of faults, one of them seen ${share(two.mine.map(({ found }) => found))}, ${figures(
    'questions',
    two.mine.map(({ asked }) => asked),
  )}`,
);

let seed = 17;
const number = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
const noisy = await round(wrongOnes ?? 20, 1, (answer, question) => {
  if (number() > 0.1) return answer;
  if (answer.kind === 'lights')
    return {
      kind: 'lights',
      seen: Object.fromEntries(
        Object.entries(answer.seen).map(([id, seen]) => [id, seen === 'lit' ? 'dark' : 'lit']),
      ),
    };
  if (answer.kind === 'is' && question.kind === 'continuity')
    return { kind: 'is', word: answer.word === 'yes' ? 'no' : 'yes' };
  return answer;
});
console.log(
  `finder: ${noisy.mine.length} single faults with one answer in ten wrong, seen ${share(noisy.mine.map(({ found }) => found))}, ${figures(
    'questions',
    noisy.mine.map(({ asked }) => asked),
  )}`,
);
console.log(
  `finder: first question median ${at(firsts, 0.5).toFixed(0)} ms, worst ${at(firsts, 1).toFixed(0)} ms (aim 1000); next median ${at(steps, 0.5).toFixed(0)} ms, 95 of 100 below ${at(steps, 0.95).toFixed(0)} ms, worst ${at(steps, 1).toFixed(0)} ms (aim 300)`,
);

const ratios = finders
  .filter(({ finder: { scope } }) => scope.groups.flatMap(({ devices }) => devices).length <= 2)
  .flatMap(({ finder }) => leastMinutes(finder) ?? []);
if (ratios.length > 0)
  console.log(
    `finder: ${ratios.length} small circuits by full search: ${mean(ratios.map(({ mine: own, least }) => own / least - 1)) < 0.0005 ? 'as soon as can be' : `${(100 * mean(ratios.map(({ mine: own, least }) => own / least - 1))).toFixed(1)} % more minutes than can be`}, worst ${(100 * Math.max(...ratios.map(({ mine: own, least }) => own / least - 1))).toFixed(1)} % (aim 5)`,
  );
child.kill();
