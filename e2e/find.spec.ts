import { expect, test } from '@playwright/test';
import {
  compile,
  evaluate,
  faultsOf,
  findBox,
  withFault,
  wiringOrEmpty,
  type Fault,
  type Job,
  type Wiring,
} from '@amber/core';
import { plannedYard, accessFaults } from './support.js';

test('an exchanged common is found from four flips, its box is opened against its picture, mended and put on record', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${job}/circuits/ropewalk-lights/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'Somebody else' }).click();
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'A device was changed' }).click();
  // Common and a traveler exchanged at the far end: with its handle up it follows the other, with it down all is dark.
  const moved = { creek: 'up', yard: 'up' };
  const ask = page.getByText('What do the loads do?');
  const open = page.getByText(/^Open (Creek|Yard) end, and pull nothing apart yet\.$/);
  const seen = page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
  for (let k = 0; k < 4; k++) {
    await expect(ask.or(open)).toBeVisible();
    // Sooner or later a box is worth more than another flip.
    if (await open.isVisible()) break;
    for (const words of await page.getByText(/^Move the handle at/).allTextContents()) {
      const [, end, to] = /at (Creek|Yard) end to (up|down)/.exec(words) ?? [];
      if (end === 'Creek') moved.creek = to ?? '';
      if (end === 'Yard') moved.yard = to ?? '';
    }
    const isLit = moved.creek === 'up' && moved.yard === 'up';
    await page.getByRole('button', { name: isLit ? 'All lit' : 'All dark', exact: true }).click();
    await expect(seen).toHaveCount(k + 1);
  }
  await expect(open).toBeVisible();
  await expect(page.getByText(/Prove it dead with a two-pole tester/)).toBeVisible();
  await expect(page.getByRole('group', { name: /^Wires in (Creek|Yard) end/ }).first()).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true);
  // What was seen is on record, and there after a reload.
  await page.reload();
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'A device was changed' }).click();
  await expect(open).toBeVisible();
  await page.getByRole('button', { name: 'Something is otherwise' }).click();
  await expect(page.getByText(/^It is at (Creek|Yard) end/)).toBeVisible();
  await page
    .getByRole('button', { name: /under the other’s screw/ })
    .first()
    .click();
  await expect(page.getByText('How it is mended')).toBeVisible();
  await expect(page.getByText('As it would be with this fault')).toBeVisible();
  expect(await accessFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'It is mended: walk the test sheet again' }).click();
  await expect(page.getByText('Not proved yet.')).toBeVisible();
});

test('an old circuit of which one box was never looked into: as it is, the unseen box is the first to be opened', async ({
  page,
  request,
}) => {
  const job = await plannedYard(request);
  await page.goto(`${job}/circuits/rope-stair-light/prove`);
  await page.getByLabel('Initials').fill('JS');
  await page.getByRole('button', { name: 'Somebody else' }).click();
  await page
    .getByRole('navigation', { name: 'Which wiring is shown' })
    .getByRole('link', { name: 'As it is' })
    .click();
  await expect(page.getByRole('heading', { name: 'Prove Rope stair, as it is' })).toBeVisible();
  await page.getByRole('tab', { name: 'Find the fault' }).click();
  await page.getByRole('button', { name: 'It worked for long' }).click();
  const open = page.getByText('Open Stair head, and pull nothing apart yet.', { exact: true });
  const seen = page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
  // It follows one handle alone: at the head something keeps it in one position.
  const lit: Record<string, boolean> = { up: true, down: false };
  const at = { foot: 'up' };
  for (let k = 0; k < 5; k++) {
    await expect(page.getByText('What do the loads do?').or(open)).toBeVisible();
    if (await open.isVisible()) break;
    for (const words of await page
      .locator('p', { hasText: /^Move the handle at Stair foot/ })
      .allTextContents())
      at.foot = /to (up|down)/.exec(words)?.[1] ?? at.foot;
    await page.getByRole('button', { name: lit[at.foot] ? 'Lit' : 'Dark', exact: true }).click();
    await expect(seen).toHaveCount(k + 1);
  }
  await expect(open).toBeVisible();
  await expect(
    page.getByText(/Nobody has looked into this box: what is drawn is what is usual/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Something is otherwise' }).click();
  await expect(page.getByText(/^It is at Stair head/)).toBeVisible();
  await expect(page.getByRole('button', { name: /is stuck/ }).first()).toBeVisible();
});

/** The wire under a screw of a device. */
const wireOn = (wiring: Wiring, device: string, name: string) => {
  const found = wiring.landings.find(
    ({ terminal }) => 'device' in terminal && terminal.device === device && terminal.name === name,
  );
  if (!found) throw new Error(`Nothing is on ${name} of ${device}.`);
  return found.wire;
};
const deviceIn = (wiring: Wiring, box: string): string => {
  const device = wiring.devices.find((one) => one.box === box);
  if (!device) throw new Error(`No device in ${box}.`);
  return device.id;
};

const HIDDEN: { name: string; circuit: string; box: string; fault: (wiring: Wiring) => Fault }[] = [
  {
    ...{ name: 'a crossed pair at a four-way', circuit: 'long-shed-lights', box: 'stove-switch' },
    fault: (wiring) => {
      const device = deviceIn(wiring, 'stove-switch');
      return { kind: 'exchanged', a: wireOn(wiring, device, 'in 2'), b: wireOn(wiring, device, 'out 1') };
    },
  },
  {
    ...{ name: 'an open neutral', circuit: 'tar-store-light', box: 'tar-door' },
    fault: (wiring) => {
      const joint = wiring.joints.find(
        ({ box, members }) =>
          box === 'tar-door' &&
          members.length > 1 &&
          members.every((one) => 'end' in one && one.end.colour === 'white'),
      );
      const found = faultsOf(wiring, 'open').find((one) => one.kind === 'open' && one.joint === joint?.id);
      if (!found) throw new Error('No neutral is spliced there.');
      return found;
    },
  },
  {
    ...{ name: 'a loose traveler', circuit: 'ropewalk-lights', box: 'yard-end' },
    fault: (wiring) => ({ kind: 'loose', wire: wireOn(wiring, deviceIn(wiring, 'yard-end'), 'traveler 2') }),
  },
];

for (const { name, circuit, box, fault } of HIDDEN)
  test(`${name} is found: handles first, then the box that holds it`, async ({ page, request }) => {
    const address = await plannedYard(request);
    const { document } = (await (await request.get(`/api${address}`)).json()) as { document: Job };
    const wiring = wiringOrEmpty(document);
    const broken = withFault(wiring, fault(wiring));
    if (!broken.ok) throw new Error('The wiring cannot have it.');
    const compiled = compile(broken.value, document);
    const groups = new Set<string>(
      document.groups.filter((one) => one.circuit === circuit).map(({ id }) => id),
    );
    const own = new Set<string>(
      document.luminaires.filter((one) => groups.has(one.group)).map(({ id }) => id),
    );
    const positions: Record<string, number> = {};
    const where = findBox(document, box)?.name ?? '';
    /** What the lights of the circuit do with the handles so. */
    const lights = (): string => {
      const { luminaires } = evaluate(compiled, positions);
      const seen = new Set(luminaires.filter(({ id }) => own.has(id)).map(({ light }) => light));
      return seen.size === 1 ? ([...seen][0] ?? '') : 'mixed';
    };
    await page.goto(`${address}/circuits/${circuit}/prove`);
    await page.getByLabel('Initials').fill('JS');
    await page.getByRole('button', { name: 'Somebody else' }).click();
    await page.getByRole('tab', { name: 'Find the fault' }).click();
    await page.getByRole('button', { name: 'New: it never worked' }).click();
    const card = page.locator('div.border-ink').filter({ hasText: 'Why this, and what it would tell' });
    const seen = page.getByRole('region', { name: 'What was seen' }).getByRole('listitem');
    const asked: string[] = [];
    for (let k = 0; k < 16; k++) {
      await expect(card.or(page.getByText(/^It is at /))).toBeVisible();
      if (await page.getByText(/^It is at /).isVisible()) break;
      let answer = '';
      let kind = '';
      // The words are read and answered as one: a question that gave way to the next between the two is read anew.
      await expect(async () => {
        const text = (await card.locator('p').allTextContents()).join(' ');
        for (const [, place, to] of text.matchAll(/Move the handle at ([\w ]+) to (up|down|on|off)\./g)) {
          const at = document.boxes.find((one) => one.name === place)?.id ?? '';
          positions[deviceIn(wiring, at)] = to === 'up' || to === 'on' ? 0 : 1;
        }
        const opened = /Open ([\w ]+), and pull nothing apart yet\./.exec(text)?.[1];
        kind = opened ?? (text.includes('What do the loads do?') ? 'flip' : text);
        answer = text.includes('What do the loads do?')
          ? own.size > 1
            ? `All ${lights()}`
            : lights() === 'lit'
              ? 'Lit'
              : 'Dark'
          : opened !== undefined
            ? opened === where
              ? 'Something is otherwise'
              : 'All is as drawn'
            : text.includes('Is it on?')
              ? 'It is on'
              : text.includes('Is there continuity?')
                ? 'It cannot be tried'
                : 'No change';
        await card.getByRole('button', { name: answer, exact: true }).click({ timeout: 3000 });
      }).toPass({ timeout: 40_000 });
      asked.push(kind);
      if (answer === 'Something is otherwise') break;
      await expect(seen).toHaveCount(k + 1);
    }
    await expect(page.getByText(`It is at ${where}. Which of these is there?`)).toBeVisible();
    // Handles come first, and few boxes are opened for it.
    expect(asked[0]).toBe('flip');
    expect(asked.filter((one) => document.boxes.some((each) => each.name === one)).length).toBeLessThan(4);
  });
