import { findingKey, reviewJob, type Finding, type Job } from '@amber/core';
import { alikeOf, commonWhat, foldedOf, inOrder } from '../src/panels/findings/grouping.js';
import { worthTrying } from '../src/worker/useRemedies.js';
import { yard } from './support/yard.js';

/** The yard with a breaker that is too large for the wire of every run of its largest circuit. */
const findings = (change: (job: Job) => Job = (job) => job): Finding[] => reviewJob(change(yard())).findings;
const large = (job: Job): Job => ({
  ...job,
  circuits: job.circuits.map((one) => (one.id === 'ropewalk-lights' ? { ...one, breaker: 20 } : one)),
});

test('findings that differ in their place alone are told once, and none is lost or told twice', () => {
  const all = findings(large);
  const { alike, single } = alikeOf(all);
  const size = all.filter((one) => one.rule === 'conductor-to-breaker');
  expect(size.length).toBeGreaterThan(3);
  expect(alike.find((group) => group.includes(size[0]!))).toEqual(size);
  expect([...alike.flat(), ...single].sort((a, b) => all.indexOf(a) - all.indexOf(b))).toEqual(all);
  for (const group of alike) expect(group.length).toBeGreaterThan(1);
  // One that is waived, or said with another reason, is another finding.
  const [one, two] = size as [Finding, Finding];
  expect(alikeOf([one, { ...two, severity: 'waived' }]).alike).toEqual([]);
  expect(alikeOf([one, { ...two, reason: 'Another.' }]).alike).toEqual([]);
});

test('what is wrong at all of them is said once where it is said in the same words', () => {
  const size = findings(large).filter((one) => one.rule === 'conductor-to-breaker');
  expect(commonWhat(size)).toBe('14 AWG on a 20 A breaker');
  const [one, two] = size as [Finding, Finding];
  expect(commonWhat([one, { ...two, what: '12 AWG on a 20 A breaker' }])).toBeNull();
  expect(commonWhat([one, { ...two, where: null }])).toBeNull();
  expect(commonWhat([])).toBeNull();
});

test('every finding says where and what, and both together are its title', () => {
  for (const one of findings(large)) {
    const text = one.where === null ? one.what : `${one.where}: ${one.what}`;
    expect(one.title.toLowerCase()).toBe(text.toLowerCase());
    expect(one.title.charAt(0)).toBe(one.title.charAt(0).toUpperCase());
  }
});

test('nothing milder is told before what is grave', () => {
  const all = findings(large);
  const violation = all.find((one) => one.severity === 'violation')!;
  const caution = all.find((one) => one.severity === 'caution')!;
  expect(inOrder([[caution, caution]], [violation])).toEqual({ first: [], last: [[caution, caution]] });
  expect(inOrder([[caution], [violation]], [violation])).toEqual({ first: [[violation]], last: [[caution]] });
  expect(inOrder([[caution], [violation]], [caution])).toEqual({ first: [[caution], [violation]], last: [] });
});

test('a remedy is looked for once for each rule at each place, and not for what only eyes on site can settle', () => {
  const all = findings(large);
  const tried = worthTrying(all);
  expect(tried.length).toBeGreaterThan(0);
  expect(tried.length).toBeLessThanOrEqual(8);
  expect(tried.some((one) => one.severity === 'verify')).toBe(false);
  const keys = tried.map((one) => `${one.rule} ${one.at.circuit ?? one.at.box ?? ''}`);
  expect(new Set(keys).size).toBe(keys.length);
});

test('what goes with another finding is folded under it, and stands for itself where that one is not in the list', () => {
  const [first, second, third] = findings(large) as [Finding, Finding, Finding];
  const follower = { ...second, follows: findingKey(first) };
  const { roots, following } = foldedOf([first, follower, third]);
  expect(roots).toEqual([first, third]);
  expect(following.get(findingKey(first))).toEqual([follower]);
  expect(foldedOf([follower, third]).roots).toEqual([follower, third]);
});
