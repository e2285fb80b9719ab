import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { conductorKey, findingKey, reviewWiring, type Job } from '@amber/core';
import { BenchScreen } from '../src/screens/bench/BenchScreen.js';
import { lookThrough } from '../src/wiring/lenses.js';
import { useSubject, type Subject } from '../src/wiring/useSubject.js';
import { jobOf, show } from './support/page.js';
import { silencePlanner } from './support/worker.js';
import { fakeServer, type Sent } from './support/server.js';
import { yard, yardAsFound } from './support/yard.js';

let sent: Sent[];
beforeEach(() => {
  sent = fakeServer();
  silencePlanner();
});

const circuitOf = (job: Job, id: string) => job.circuits.find((one) => one.id === id) ?? null;
const bench = (job: Job, circuit: string | null, wiring: string | null = null) =>
  show(
    <BenchScreen job={job} circuit={circuit === null ? null : circuitOf(job, circuit)} wiring={wiring} />,
    { job },
  );

const subjectOf = (job: Job, wiring: string | null, circuit: string | null): Subject => {
  const held: { subject?: Subject } = {};
  const Take = () => {
    held.subject = useSubject(job, wiring, circuit === null ? null : circuitOf(job, circuit));
    return null;
  };
  show(<Take />, { job }).unmount();
  if (!held.subject) throw new Error('nothing was shown');
  return held.subject;
};

describe('what is drawn, proved and stepped', () => {
  test('is the planned wiring of a circuit, as the core judges it', () => {
    const subject = subjectOf(yard(), null, 'long-shed-lights');
    expect([subject.kind, subject.readOnly, subject.name]).toEqual(['planned', false, 'Long shed']);
    expect(subject.proofs.map(({ working, positions }) => [working, positions])).toEqual([[16, 16]]);
    expect(subject.strips.map((one) => one.circuit.id)).toEqual(['long-shed-lights']);
    expect(subject.drawings.length).toBe(new Set(subject.drawings.map((one) => one.box)).size);
  });

  test('is any wiring by its id, judged by itself and not to be changed', () => {
    const job = yardAsFound();
    const subject = subjectOf(job, 'found-1', 'long-shed-lights');
    expect([subject.kind, subject.readOnly, subject.wiringId]).toEqual(['found', true, 'found-1']);
    const [proof] = subject.proofs;
    expect(proof?.working).toBeLessThan(proof?.positions ?? 0);
    const review = reviewWiring(job, 'found-1');
    expect(subject.findings().some((one) => one.rule === 'group-works')).toBe(true);
    // Of a check at many places a circuit is told its own; otherwise its findings are those of the whole.
    const whole = new Set((review?.findings ?? []).map(findingKey));
    for (const one of subject.findings()) expect(whole.has(findingKey(one))).toBe(true);
    // The planned one beside it is as good as before.
    expect(subjectOf(job, null, 'long-shed-lights').proofs[0]).toMatchObject({ working: 16, positions: 16 });
  });

  test('is the whole job where no circuit is named: every box once, every group, each run by itself', () => {
    const job = yardAsFound();
    for (const wiring of [null, 'found-1']) {
      const subject = subjectOf(job, wiring, null);
      const boxes = subject.drawings.map((one) => one.box);
      expect(new Set(boxes).size).toBe(boxes.length);
      const reached = subject.wiring.cables
        .flatMap(({ from, to }) => [from, to])
        .filter((place) => place !== 'panel');
      for (const place of reached) expect(boxes).toContain(place);
      expect(subject.groups.length).toBe(job.groups.filter((group) => group.control === 'switched').length);
      expect(subject.strips.map((one) => one.circuit.id)).toEqual(job.circuits.map((one) => one.id));
      expect(subject.findings()).toEqual(
        wiring === null ? subject.findings() : reviewWiring(job, wiring)?.findings,
      );
    }
  });

  test('is the planned one where the address names a wiring that is gone', () =>
    expect(subjectOf(yard(), 'gone', 'ropewalk-lights').kind).toBe('planned'));
});

describe('lenses', () => {
  const subject = () => subjectOf(yard(), null, 'long-shed-lights');
  const wires = (of: Subject) => of.drawings.flatMap((drawing) => drawing.wires);

  test('tell what each conductor is for, grounds faint, travelers by their group and pair', () => {
    const of = subject();
    const look = lookThrough('use', of, {});
    const labels = new Map(wires(of).map((wire) => [of.compiled.netOf(wire.key), look(wire)]));
    const pairs = new Map<string | null, number>();
    for (const [net, seen] of labels) {
      const role = of.roles[net ?? -1];
      expect(seen.faint).toBe(role === 'ground');
      if (role === 'traveler') pairs.set(seen.label, (pairs.get(seen.label) ?? 0) + 1);
    }
    // Four switches in a chain: three pairs of two travelers, counted from the feed.
    expect([...pairs].sort()).toEqual([
      ['Long shed, pair 1', 2],
      ['Long shed, pair 2', 2],
      ['Long shed, pair 3', 2],
    ]);
  });

  test('show amperes where current flows now, and nothing anywhere when all is dark', () => {
    const of = subject();
    const amperes = (positions: Record<string, number>, state = of.state) => {
      const look = lookThrough('current', { ...of, state }, positions);
      return wires(of).flatMap((wire) => look(wire).label ?? []);
    };
    expect(amperes({}).length).toBeGreaterThan(0);
    for (const label of amperes({})) expect(label).toMatch(/^\d+\.\d+ A$/);
  });

  test('tell the circuits of each conductor; the others are faint, and none where all are shown', () => {
    const one = subjectOf(yard(), null, 'landing-lights');
    const all = subjectOf(yard(), null, null);
    const faint = (of: Subject) => wires(of).filter((wire) => lookThrough('circuit', of, {})(wire).faint);
    expect(faint(one).length).toBeGreaterThan(0);
    expect(faint(all)).toEqual([]);
    expect(lookThrough('live', one, {})({ key: conductorKey('x' as never, 'black') } as never)).toEqual({
      ...{ faint: false, label: null },
    });
  });
});

describe('the bench', () => {
  test('shows the answer first, and a handle that is flipped changes what is lit', async () => {
    bench(yard(), 'ropewalk-lights');
    expect(screen.getByText('4 of 4 positions work')).toBeTruthy();
    const lit = () => screen.getAllByTestId(/^light-/).map((one) => one.textContent?.split(' · ').at(-1));
    expect(new Set(lit())).toEqual(new Set(['lit']));
    fireEvent.click(screen.getAllByRole('button', { name: /Flip/ })[0]!);
    expect(new Set(lit())).toEqual(new Set(['dark']));
    await screen.findByText(/No violation found/);
  });

  test('of a wiring as found has no tab that changes it, and says by what it does not work', async () => {
    bench(yardAsFound(), 'long-shed-lights', 'found-1');
    expect(screen.getAllByRole('tab').map((one) => one.textContent)).toEqual([
      'What is there',
      'Check',
      'Steps',
      'Box fill',
      'Meters',
    ]);
    fireEvent.click(screen.getByRole('tab', { name: /^Check/ }));
    expect(screen.queryByText('16 of 16 positions work')).toBeNull();
    expect(screen.getByText(/a handle changes nothing, or something is shorted/)).toBeTruthy();
    await screen.findByText(/works in \d+ of 16 positions/);
    expect(screen.queryByText('Own rules')).toBeNull();
  });

  test('a step is ticked by what it is about, shown so at once, and taken back', async () => {
    const { store } = bench(yard(), 'tar-store-light');
    fireEvent.click(screen.getByRole('tab', { name: 'Steps' }));
    const steps = await screen.findByRole('region', { name: /^Steps at/ });
    const box = () => within(steps).getAllByRole<HTMLInputElement>('checkbox')[0]!;
    fireEvent.click(box());
    await waitFor(() => expect(box().checked).toBe(true));
    const [{ record } = {}] = store.getState().records.pending;
    expect(record).toMatchObject({
      kind: 'tick',
      about: { kind: 'fact', wiring: jobOf(store).wirings.find(({ kind }) => kind === 'planned')?.id },
    });
    expect(record?.about.hash).toMatch(/^[0-9a-f]{16}$/);
    fireEvent.click(box());
    await waitFor(() => expect(box().checked).toBe(false));
    expect(store.getState().records.pending.at(-1)?.record).toMatchObject({
      kind: 'retraction',
      retracts: record?.id,
    });
  });

  test('a tick of something that was changed since falls open, and says so', async () => {
    bench(yard(), 'tar-store-light');
    fireEvent.click(screen.getByRole('tab', { name: 'Steps' }));
    await screen.findByRole('region', { name: /^Steps at/ });
    const asked = sent.find((one) => one.path.endsWith('/records'));
    const about = (id: string, hash: string | null) => ({
      kind: 'fact',
      id,
      wiring: null,
      revision: null,
      hash,
    });
    const tick = (id: string, of: object) => ({
      ...{
        id,
        kind: 'tick',
        version: 1,
        about: of,
        body: {},
        retracts: null,
        by: '',
        at: '2026-05-04T10:00:00Z',
      },
    });
    await act(async () => {
      asked?.answer(200, {
        records: [
          tick('a', about('tar-door/dead', '0'.repeat(16))),
          tick('b', about('tar-door/proof', null)),
        ],
      });
      await new Promise((resolve) => setTimeout(resolve, 20));
    });
    expect(await screen.findByText(/what it is about has changed since/)).toBeTruthy();
    expect(screen.getByText(/^1 of \d+ done/)).toBeTruthy();
  });
});

describe('what is there and nobody has looked into', () => {
  test('begins with the cables that lie there; no box of it is called a junction, and one taken away lies there no more', async () => {
    const { store } = bench(yard(), 'winch-lights', 'existing');
    const list = await screen.findByRole('list', { name: 'Cables that lie there' });
    expect(
      within(list)
        .getAllByRole('listitem')
        .map((one) => one.textContent),
    ).toEqual(['14/2, the panel to Winch ceilingTake away', '14/2, Winch ceiling to Winch doorTake away']);
    expect(screen.getByText('not looked into')).toBeTruthy();
    expect(screen.queryByText('junction')).toBeNull();
    expect(screen.getByText('Nothing is told of this circuit yet. Begin on the board.')).toBeTruthy();
    const [, loop] = within(list).getAllByRole('button', { name: 'Take away' });
    if (!loop) throw new Error('one cable alone');
    fireEvent.click(loop);
    fireEvent.click(screen.getByRole('button', { name: 'Draw what is usual' }));
    const there = jobOf(store).wirings.find(({ kind }) => kind === 'existing');
    const ids = new Set<string>(there?.wiring.cables.map(({ id }) => id));
    expect([ids.has('winch-feed-cable'), ids.has('winch-loop')]).toEqual([true, false]);
    expect(there?.wiring.unseen.some(({ cable }) => cable === ('winch-loop' as never))).toBe(false);
    expect(there?.certainty['winch-ceiling' as never]).toBe('assumed');
  });
});
