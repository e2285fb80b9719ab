import { jest } from '@jest/globals';
import { CONTRACT, newJob, PROBLEM_CODES, standardStock, type JobId } from '@amber/core';
import { ask, askEarly, askOnce, mayComeBack, sayFailed, type Failed } from '../src/server/client.js';
import { fakeServer, pass, type Sent } from './support/server.js';

let sent: Sent[];
beforeEach(() => {
  jest.useFakeTimers();
  sent = fakeServer();
});
afterEach(() => jest.useRealTimers());

const document = newJob('j' as JobId, 'Yard', standardStock());
const failure = async (asked: Promise<{ kind: string }>): Promise<Failed> => {
  const answer = await asked;
  if (answer.kind === 'ok') throw new Error('it was answered');
  return answer as Failed;
};

test('an answer is taken as the contract has it, and the job in it is checked', async () => {
  const asked = ask(CONTRACT.openJob, { ids: { id: 'a/b' } });
  expect([sent[0]?.method, sent[0]?.path]).toEqual(['GET', '/api/jobs/a%2Fb']);
  sent[0]?.answer(200, { revision: 4, document });
  expect(await asked).toEqual({ kind: 'ok', value: { revision: 4, document } });
});

test('the server refused, because: with its reason, for good or for now', async () => {
  for (const code of PROBLEM_CODES) {
    const asked = failure(ask(CONTRACT.deleteJob, { ids: { id: 'j' } }));
    sent.at(-1)?.answer(code === 'database-down' ? 503 : 422, {
      code,
      message: `Because of ${code}.`,
      path: 'document.name',
    });
    const failed = await asked;
    expect(failed).toMatchObject({ kind: 'refused', problem: { code } });
    expect(sayFailed(failed)).toBe(`The server refused: Because of ${code}. (document.name)`);
    expect(mayComeBack(failed)).toBe(code === 'database-down');
  }
});

test('the server does not answer: nothing was changed, and it is worth while to ask again', async () => {
  const asked = failure(ask(CONTRACT.jobs));
  sent[0]?.vanish();
  const failed = await asked;
  expect(failed).toEqual({ kind: 'unreachable' });
  expect(sayFailed(failed)).toBe('The server does not answer. Nothing was changed.');
  expect(mayComeBack(failed)).toBe(true);
});

test.each([
  ['what is no JSON, as a page that asks to sign in to a network', (one: Sent) => one.babble(200), true],
  ['a gateway that speaks for the server', (one: Sent) => one.babble(502), true],
  ['a list of another version', (one: Sent) => one.answer(200, { jobs: [{ id: 'j' }] }), false],
  [
    'a code that this page does not know',
    (one: Sent) => one.answer(418, { code: 'teapot', message: 'x', path: '' }),
    false,
  ],
  ['a refusal without a reason', (one: Sent) => one.answer(500, {}), true],
])('%s is not understood, and said so', async (_name, reply, again) => {
  const asked = failure(ask(CONTRACT.jobs));
  if (sent[0]) reply(sent[0]);
  const failed = await asked;
  expect(failed.kind).toBe('strange');
  expect(sayFailed(failed)).toContain('answers what this page does not understand');
  expect(mayComeBack(failed)).toBe(again);
});

test('a job in an answer that this page cannot read is no answer, and told by path', async () => {
  const asked = failure(ask(CONTRACT.openJob, { ids: { id: 'j' } }));
  sent[0]?.answer(200, { revision: 1, document: { ...document, edition: 1999 } });
  expect(sayFailed(await asked)).toContain('document.edition');
});

test('what was asked early is taken once, and only while it is fresh', async () => {
  askEarly(CONTRACT.openJob, { id: 'j' });
  const first = askOnce(CONTRACT.openJob, { id: 'j' });
  expect(sent).toHaveLength(1);
  sent[0]?.answer(200, { revision: 1, document });
  expect((await first).kind).toBe('ok');
  void askOnce(CONTRACT.openJob, { id: 'j' });
  expect(sent).toHaveLength(2);
  askEarly(CONTRACT.openJob, { id: 'k' });
  await pass(6_000);
  void askOnce(CONTRACT.openJob, { id: 'k' });
  expect(sent.filter((one) => one.path.endsWith('/k'))).toHaveLength(2);
});
