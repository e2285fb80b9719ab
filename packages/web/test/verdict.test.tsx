import type { Job } from '@amber/core';
import { Verdict } from '../src/panels/findings/Verdict.js';
import { useSubject } from '../src/wiring/useSubject.js';
import { circuitOf, show } from './support/page.js';
import { few } from './support/yard.js';

/** What is said first of a circuit, or of all of them, on the bench. */
const verdict = (job: Job, id: string | null): string[] => {
  const Shown = () => {
    const subject = useSubject(job, null, id === null ? null : circuitOf(job, id));
    return <Verdict subject={subject} findings={subject.findings()} />;
  };
  const { container, unmount } = show(<Shown />, { job });
  const said = [...container.querySelectorAll('p')].map((one) => one.textContent ?? '');
  unmount();
  return said;
};

const OLD = 'rope-stair-light';
const NEW = 'tar-store-light';

test('of what is planned and new it is said that it works, and no more', () => {
  const [works] = verdict(few(NEW), NEW);
  expect(works).toBe(
    '2 of 2 positions workEvery handle changes the light from every position, by simulation.',
  );
});

test('of old work that nobody has looked into it is said only as it is drawn, on the planned wiring too', () => {
  const [works] = verdict(few(OLD), OLD);
  expect(works).toMatch(/^If it is as drawn: 4 of 4 positions workThere is 1 box nobody has looked into\. /);
});

test('what is asked for and not placed yet hides nothing of what stands', () => {
  const old = few(OLD);
  const [group] = old.groups.filter(({ circuit }) => circuit === OLD);
  if (!group) throw new Error('the stair has no group');
  const job = { ...old, groups: [...old.groups, { ...group, id: 'lamp' as never, name: 'Stair lamp' }] };
  const [first, works] = verdict(job, OLD);
  expect(first).toBe('Not all that is asked for can be planned yet');
  expect(works).toMatch(/^If it is as drawn: 4 of 4 positions work/);
});

test('of a circuit without a way nothing but that is said, and of several what the others do', () => {
  const job = few(OLD, NEW);
  const without = { ...job, choices: job.choices.filter(({ circuit }) => circuit !== NEW) };
  expect(verdict(without, NEW)).toEqual(['This circuit cannot be planned yet']);
  expect(verdict(without, null).slice(0, 1)).toEqual(['Not all that is asked for can be planned yet']);
  expect(verdict(without, null)[1]).toMatch(/4 of 4 positions work/);
});
