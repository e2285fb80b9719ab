import { sayKeeping } from '../src/index.js';
import { done, inLine, light, old, place } from './support/oldWork.js';

const returned = { runs: ['F-L', 'L-S1', 'S1-S2', "S2-L'"], chain: ['S1', 'S2'], neutralAt: ['S1', 'S2'] };

test('where the light is fed back by a return run, a swap of a device opens its box alone and gives up no cable', () => {
  for (const slot of ['slot:S1', 'slot:S2']) {
    const change = done(old(returned), {
      ...{ kind: 'replaceDevice', slot: slot as never, role: 'dimmer', article: null },
    });
    expect([change.opened, change.fresh, change.drawnOut, change.idle, change.keeping]).toEqual([
      [slot.replace('slot:', '')],
      ...[[], [], [], []],
    ]);
    expect(change.stay).toContain('cable:c1:S2>L~return');
  }
});

test('and a light that comes to it leaves the return run as it is', () => {
  const change = done(old(returned), {
    ...{ kind: 'addLight', group: 'g1' as never, hung: light },
    place: place('L2', { L: 90 }, 'ceiling'),
  });
  expect([change.opened, change.drawnOut, change.idle]).toEqual([['L', 'L2'], [], []]);
});

test('why an old cable is given up is told by what the ways that keep it come to', () => {
  const change = done(old(inLine, 'wall-1-22.5'), {
    kind: 'addSwitch',
    group: 'g1' as never,
    place: place('S3', { S1: 60, S2: 60, L: 400 }),
  });
  const given = [...change.drawnOut.map(({ id }) => id), ...change.idle];
  expect(change.keeping.map(({ cable }) => cable).sort()).toEqual([...given].sort());
  for (const one of change.keeping) {
    const cheaper = change.others.filter(({ stay }) => stay.includes(one.cable));
    // No way beside it that keeps the cable comes to less than what is said.
    for (const other of cheaper)
      if (one.more !== null && other.asks.every(({ severity }) => severity !== 'violation'))
        expect(other.cost.cost - change.cost.cost).toBeGreaterThanOrEqual(one.more - 1);
  }
  expect(change.partial).toBe(false);
});

test('it is said in one sentence', () => {
  const cable = 'c' as never;
  expect([
    sayKeeping({ cable, more: 122_500, wrong: null }),
    sayKeeping({ cable, more: 0, wrong: null }),
    sayKeeping({ cable, more: null, wrong: 'S1: 20.0 in³ needed, 18.0 in³ there' }),
    sayKeeping({ cable, more: null, wrong: null }),
  ]).toEqual([
    'To keep it in use costs $12.25 more.',
    'To keep it in use costs the same.',
    'Kept in use, this would be wrong: S1: 20.0 in³ needed, 18.0 in³ there.',
    'Nothing that was tried keeps it in use.',
  ]);
});
