import { expect, type Locator, type Page } from '@playwright/test';
import {
  BUILT,
  editDocument,
  endKey,
  findBox,
  terminalKey,
  whereMayBe,
  wiresIn,
  type BoxId,
  type Job,
  type Wiring,
  type WiringEdit,
} from '@amber/core';

type Put = Extract<WiringEdit, { do: 'put' }>;

/** How somebody works: with a mouse, with the keyboard alone, with a finger on a telephone. */
export interface Hands {
  name: 'pointer' | 'keys' | 'telephone';
  press: (what: Locator) => Promise<void>;
  pick: (select: Locator, value: string) => Promise<void>;
}

const picked = async (select: Locator, value: string) => {
  await select.selectOption(value);
};

export const POINTER: Hands = { name: 'pointer', press: (what) => what.click(), pick: picked };
export const TELEPHONE: Hands = { name: 'telephone', press: (what) => what.tap(), pick: picked };
export const KEYS: Hands = {
  name: 'keys',
  // A key that is pressed on what waits for something goes nowhere.
  press: async (what) => {
    await expect(what).toBeEnabled();
    await what.press('Enter');
  },
  // Opened, moved in and closed: what lies between is never chosen.
  pick: async (select, value) => {
    const steps = await select.evaluate((element, wanted) => {
      if (!(element instanceof HTMLSelectElement)) throw new Error('no list');
      return [...element.options].findIndex((one) => one.value === wanted) - element.selectedIndex;
    }, value);
    await select.press('Space');
    for (let i = 0; i < Math.abs(steps); i++)
      await select.page().keyboard.press(steps > 0 ? 'ArrowDown' : 'ArrowUp');
    await select.page().keyboard.press('Enter');
  },
};

/** A practice exercise that this browser is in the middle of, as it would keep it. */
export const goOnWith = async (
  page: Page,
  hands: Hands,
  asked: { kind: string; level: string; seed: number; edition: number },
) => {
  const effort = { answered: false, helped: false, stopped: 0 };
  await page.addInitScript(
    (kept) => localStorage.setItem('amber-junction.habit.practice', kept),
    JSON.stringify({ asked, wiring: null, laid: [], effort }),
  );
  await page.goto('/practice');
  await hands.press(page.getByRole('button', { name: /^Go on with/ }));
};

/** The bench beside a copy of what is on it, so that its lists can be read by the same keys. */
export class Bench {
  constructor(
    readonly page: Page,
    readonly hands: Hands,
    public job: Job,
  ) {}

  get wiring(): Wiring {
    const found = this.job.wirings.find(({ id }) => id === BUILT);
    if (!found) throw new Error('nothing is on the bench');
    return found.wiring;
  }

  async turnTo(box: BoxId) {
    if (this.hands.name !== 'pointer') await this.hands.pick(this.page.getByLabel('Box in hand'), box);
  }

  /** Says of a wire where it is: by two taps on the picture with a mouse, by its list else. */
  async put(box: BoxId, { wire, to }: Put) {
    const key = 'end' in wire ? endKey(wire.end) : 'lead' in wire ? terminalKey(wire.lead) : wire.pigtail;
    if (this.hands.name === 'pointer') await this.#tapped(box, wire, to);
    else {
      const here = wiresIn(this.job, this.wiring, box).find((one) => one.key === key);
      const place = this.#places(box, wire, to);
      await this.hands.pick(this.page.getByLabel(`The ${here?.words} is`, { exact: true }), place);
    }
    const told = editDocument(this.job, BUILT, [{ do: 'put', wire, to }], box);
    if (!told.ok) throw new Error(JSON.stringify(told.refusal));
    this.job = told.job;
  }

  #places(box: BoxId, wire: Put['wire'], to: Put['to']): string {
    const all = whereMayBe(this.job, this.wiring, box, wire);
    if (typeof to === 'string') return to;
    if ('on' in to) return `on ${terminalKey(to.on)}`;
    if (!('with' in to)) throw new Error('not told so here');
    const other = 'end' in to.with ? endKey(to.with.end) : 'lead' in to.with ? terminalKey(to.with.lead) : '';
    const alone = all.find(({ key }) => key === `with ${other}`);
    const joint = this.wiring.joints.find(({ members }) =>
      members.some(
        (one) => ('end' in one ? endKey(one.end) : 'lead' in one ? terminalKey(one.lead) : '') === other,
      ),
    );
    return alone?.key ?? `in ${joint?.id}`;
  }

  async #tapped(box: BoxId, wire: Put['wire'], to: Put['to']) {
    const picture = this.page.getByRole('article', {
      name: `Box ${findBox(this.job, box)?.name}`,
      exact: true,
    });
    const drawn = (one: Put['wire']) =>
      'end' in one
        ? picture
            .locator(`[data-wire-id="${endKey(one.end)}"], [data-wire-id^="${endKey(one.end)}>"]`)
            .or(picture.locator(`[data-wire="conductor|${one.end.cable}|${one.end.colour}"]`))
            .first()
            .locator('text')
            .last()
        : picture.locator(`[data-screw="${'lead' in one ? terminalKey(one.lead) : ''}"] circle[data-finger]`);
    // The lead lies on what a finger may touch around it.
    await drawn(wire).click({ force: true });
    const hand = this.page.getByRole('status', { name: 'Wire in hand' });
    await expect(hand).toBeVisible();
    if (typeof to === 'string') await hand.getByRole('button', { name: 'Capped alone' }).click();
    else if ('on' in to) await picture.locator(`[data-screw="${terminalKey(to.on)}"]`).click();
    else if ('with' in to) await drawn(to.with).click({ force: true });
    await expect(hand).toHaveCount(0);
  }
}
