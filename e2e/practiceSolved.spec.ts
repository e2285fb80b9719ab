import { expect, test, type Page } from '@playwright/test';
import {
  BUILT,
  drawHiddenFault,
  drawJudging,
  drawMakeUp,
  drawPlanIt,
  drawSizing,
  drawWhichWire,
  findPlans,
  PANEL,
  placeName,
  placeOfNode,
  plannedWiring,
  tapeKey,
  terminalKey,
  type Wiring,
} from '@amber/core';
import { Bench, goOnWith, KEYS, POINTER, TELEPHONE, type Hands } from './practice.js';
import { accessFaults } from './support.js';

const EDITION = 2023;
const AT_LIGHT = { level: 'poleAtLight', seed: 2, edition: EDITION } as const;
const right = (page: Page) =>
  expect(page.getByRole('region', { name: 'How it comes out' }).getByRole('status')).toHaveText(/^Right/, {
    timeout: 90_000,
  });

const planOf = (job: Parameters<typeof plannedWiring>[0]): Wiring => {
  const wiring = plannedWiring(job);
  if (!wiring) throw new Error('nothing is planned');
  return wiring;
};

/** The breaker off, and the box proved dead the one way that proves it. */
const proveDead = (page: Page, hands: Hands) =>
  hands.press(page.getByRole('button', { name: /^A two-pole tester that is proved/ }));

/** Two wires of one box that are each under the other's screw: the fault of the first exercise in which that is all. */
const exchanged = () => {
  for (let seed = 1; seed < 100; seed++) {
    const fault = drawHiddenFault({ level: 'pairAtSwitch', seed, edition: EDITION });
    const planned = planOf(fault.job);
    const made = fault.job.wirings.find(({ id }) => id === BUILT)?.wiring;
    if (!made || JSON.stringify(made.joints) !== JSON.stringify(planned.joints)) continue;
    const moved = planned.landings.flatMap(({ wire, terminal }) => {
      if (!('end' in wire)) return [];
      const now = made.landings.find((one) => JSON.stringify(one.wire) === JSON.stringify(wire));
      return now && terminalKey(now.terminal) !== terminalKey(terminal) ? [{ end: wire.end, terminal }] : [];
    });
    if (moved.length === 2) return { ...fault, seed, moved };
  }
  throw new Error('no two wires are exchanged in any of them');
};

const solve: Record<string, (page: Page, hands: Hands) => Promise<void>> = {
  'Make it up': async (page, hands) => {
    const { job } = drawMakeUp(AT_LIGHT);
    const planned = planOf(job);
    await goOnWith(page, hands, { kind: 'makeUp', ...AT_LIGHT });
    const bench = new Bench(page, hands, job);
    for (const { id: box } of job.boxes) {
      await bench.turnTo(box);
      for (const joint of planned.joints.filter((one) => one.box === box)) {
        const wires = joint.members.map((member) => {
          if ('pigtail' in member) throw new Error('a tail is made otherwise');
          return member;
        });
        const [first, ...others] = wires;
        if (!first) continue;
        if (others.length === 0) await bench.put(box, { do: 'put', wire: first, to: 'alone' });
        for (const wire of others) await bench.put(box, { do: 'put', wire, to: { with: first } });
      }
      for (const { wire, terminal } of planned.landings)
        if (
          'end' in wire &&
          'device' in terminal &&
          wire.end.side === 'to' &&
          planned.devices[0]?.box === box
        )
          await bench.put(box, { do: 'put', wire: { end: wire.end }, to: { on: terminal } });
      // On the pictures too the list of splices is that of the box in hand.
      await hands.pick(page.getByLabel('Box in hand'), box);
      const connectors = page.getByLabel(/^Connector of/);
      const made = bench.wiring.joints.filter((one) => one.box === box);
      await expect(connectors).toHaveCount(made.length);
      for (const [i, joint] of made.entries())
        await hands.pick(connectors.nth(i), joint.members.length > 2 ? 'lever-3' : 'lever-2');
    }
    await hands.press(page.getByRole('button', { name: 'Done: prove it' }));
    await expect(page.getByRole('region', { name: 'It is right' })).toBeVisible();
  },
  'Find the fault': async (page, hands) => {
    const { job, box, seed, moved } = exchanged();
    await goOnWith(page, hands, { kind: 'findFault', level: 'pairAtSwitch', seed, edition: EDITION });
    await hands.press(page.getByRole('region', { name: 'Handles' }).getByRole('button').first());
    await hands.press(page.getByRole('switch', { name: 'Breaker on' }));
    const bench = new Bench(page, hands, job);
    await hands.pick(page.getByLabel('Box in hand'), box);
    const closed = page.getByRole('article', { name: new RegExp(`^Closed box .*${placeName(job, box)}`) });
    await hands.press(closed.getByRole('button', { name: 'Open it' }));
    await proveDead(page, hands);
    await hands.press(closed.getByRole('button', { name: 'Open it' }));
    for (const { end, terminal } of moved)
      await bench.put(box, { do: 'put', wire: { end }, to: { on: terminal } });
    await hands.press(page.getByRole('button', { name: 'Done: prove it' }));
    const found = page.getByRole('region', { name: 'It is right' });
    await expect(found.getByText(`It was at ${placeName(job, box)}`)).toBeVisible();
    await expect(found.getByText('You opened 1 box of 3')).toBeVisible();
  },
  'Which wire': async (page, hands) => {
    const { stubs, leads } = drawWhichWire(AT_LIGHT);
    await goOnWith(page, hands, { kind: 'whichWire', ...AT_LIGHT });
    await hands.press(page.getByRole('switch', { name: 'Breaker on' }));
    const wires = page.getByRole('article').nth(0).getByRole('group').nth(0).getByRole('button');
    await hands.press(wires.nth(0));
    await proveDead(page, hands);
    for (const i of [0, 1]) await hands.press(wires.nth(i));
    const tester = page.getByRole('button', { name: 'Continuity tester' });
    await hands.press(tester);
    for (const i of [0, 1]) await hands.press(wires.nth(i));
    // Both on the same two wires.
    await expect(page.getByRole('status', { name: 'The tester shows' })).toHaveText('Continuity');
    const told = page.getByRole('region', { name: 'Where each leads' }).getByRole('combobox');
    for (const [i, stub] of stubs.entries()) {
      const led = leads[tapeKey(stub)];
      const value = led === PANEL ? PANEL : led ? tapeKey(led) : '';
      if ((await told.nth(i).inputValue()) !== value) await hands.pick(told.nth(i), value);
    }
    await hands.press(page.getByRole('button', { name: 'So they lead' }));
    await right(page);
  },
  'Plan it': async (page, hands) => {
    const { job, circuit, asked } = drawPlanIt({ level: 'room', seed: 4, edition: EDITION });
    const least = findPlans(job, circuit).candidates.find(({ bestAt }) => bestAt.includes('leastCost'));
    if (!least) throw new Error('it has no plan');
    await goOnWith(page, hands, { kind: 'planIt', ...asked });
    for (const run of least.choice.runs) {
      const ends = [placeOfNode(run.from), placeOfNode(run.to)] as const;
      if (hands.name === 'keys') {
        const lists = page.getByRole('region', { name: 'Cables laid' }).getByRole('combobox');
        for (const [i, end] of ends.entries()) await hands.pick(lists.nth(i), end);
        await hands.press(page.getByRole('button', { name: 'Lay a cable' }));
      } else {
        const places = page.getByRole('group', { name: 'The place and its cables' });
        for (const end of ends)
          await hands.press(
            places.getByRole('button', { name: end === PANEL ? 'Panel' : placeName(job, end), exact: true }),
          );
      }
    }
    await hands.press(page.getByRole('button', { name: 'Done: hold it against the best' }));
    await right(page);
  },
  'Size it': async (page, hands) => {
    const asked = { level: 'pairAtSwitch', seed: 7, edition: EDITION } as const;
    const { fill } = drawSizing(asked);
    await goOnWith(page, hands, { kind: 'sizeIt', ...asked });
    await page.getByLabel(/^Cubic inches needed/).fill(String(fill.needed / 10_000));
    await page.getByLabel(/^Cubic inches needed/).press('Tab');
    await hands.press(
      page.getByRole('button', { name: fill.verdict === 'fits' ? 'It fits' : 'Too small', exact: true }),
    );
    await right(page);
  },
  'Judge it': async (page, hands) => {
    const asked = { level: 'pairAtLight', seed: 5, edition: EDITION } as const;
    const { rules } = drawJudging(asked);
    await goOnWith(page, hands, { kind: 'judgeIt', ...asked });
    for (const { title, broken } of rules) {
      const box = page.getByRole('checkbox', { name: title });
      if (broken) await (hands.name === 'keys' ? box.press('Space') : hands.press(box));
    }
    await hands.press(page.getByRole('button', { name: 'So I judge it' }));
    await right(page);
  },
};

for (const [kind, way] of Object.entries(solve)) {
  for (const hands of [POINTER, KEYS])
    test(`${kind}: solved by ${hands.name}`, async ({ page }) => {
      await way(page, hands);
      if (hands === POINTER) expect(await accessFaults(page)).toEqual([]);
    });
  test.describe('with a finger', () => {
    test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
    test(`${kind}: solved on a telephone`, async ({ page }) => {
      await way(page, TELEPHONE);
      expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
    });
  });
}
