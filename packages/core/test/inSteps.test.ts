import { reviewJob, reviewWiring } from '../src/index.js';
import { stepwise } from '../src/model/lazily.js';
import { yard } from './support/yard.js';

describe('an inspection piece by piece', () => {
  test('finds the very same, whether it is waited for or done between', () => {
    const job = yard();
    const whole = reviewJob(job).findings;
    const review = reviewJob(job);
    let pieces = 0;
    while (review.inspectFurther()) pieces++;
    expect(pieces).toBeGreaterThan(30);
    expect(review.findings).toEqual(whole);
    // It may be asked for in the midst of it.
    const asked = reviewJob(job);
    for (let i = 0; i < 7; i++) asked.inspectFurther();
    expect(asked.findings).toEqual(whole);
    expect(asked.inspectFurther()).toBe(false);
  });

  test('of what is there, too', () => {
    const job = yard();
    const id = job.wirings.find(({ kind }) => kind === 'existing')?.id ?? '';
    const review = reviewWiring(job, id);
    while (review?.inspectFurther());
    expect(review?.findings).toEqual(reviewWiring(job, id)?.findings);
    expect(review?.findings.length).toBeGreaterThan(0);
  });

  test('what breaks off is begun anew when it is asked for again', () => {
    let tries = 0;
    const work = stepwise(function* () {
      yield;
      if (++tries === 1) throw new Error('no power');
      return tries;
    });
    expect(() => work.value()).toThrow('no power');
    expect(work.value()).toBe(2);
    expect([work.step(), work.value(), tries]).toEqual([false, 2, 2]);
  });
});
