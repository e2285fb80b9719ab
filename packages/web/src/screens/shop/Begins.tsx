import { editionName, EDITIONS, type Catalog, type Edition, type Terms } from '@amber/core';
import { HabitBox } from '../../panels/circuit/HabitBox.js';
import { HabitsForm } from '../../panels/circuit/HabitsForm.js';
import { Field, Select } from '../../parts/ui.js';
import { Later } from './Later.js';
import type { Shop } from './useShop.js';

const TERMS: [keyof Omit<Terms, 'taxOn'>, string][] = [
  ['markup', 'Markup on material, %'],
  ['contingency', 'Contingency, %'],
  ['tax', 'Tax, %'],
];

/** What a new job begins with: the edition where the shop works, its habits, what it adds to a sum. */
export const Begins = ({
  catalog: { labour, judgement, defaults },
  shop,
}: {
  catalog: Catalog;
  shop: Shop;
}) => {
  const set = (more: Partial<Catalog['defaults']>) =>
    void shop.saveUnits({ labour, judgement, defaults: { ...defaults, ...more } });
  return (
    <div className="grid max-w-5xl gap-x-10 gap-y-5 lg:grid-cols-2">
      <section aria-label="Habits of the shop" className="flex flex-col gap-3">
        <h2 className="text-[15px] font-bold">Habits, where good electricians differ</h2>
        <HabitsForm
          preferences={defaults.preferences}
          explained
          onSet={(more) => set({ preferences: { ...defaults.preferences, ...more } })}
        />
      </section>
      <section aria-label="Edition and terms" className="flex flex-col gap-3 max-lg:order-first">
        <h2 className="text-[15px] font-bold">Edition and terms</h2>
        <Field label="Code edition in force where the shop works">
          <Select
            value={defaults.edition}
            onChange={(event) => set({ edition: Number(event.target.value) as Edition })}
          >
            {EDITIONS.map((edition) => (
              <option key={edition} value={edition}>
                {editionName(edition)}
              </option>
            ))}
          </Select>
        </Field>
        {TERMS.map(([which, label]) => (
          <Field key={which} label={label}>
            <Later
              label={label}
              value={defaults.terms[which]}
              most={1000}
              onTake={(percent) =>
                percent !== null && set({ terms: { ...defaults.terms, [which]: percent } })
              }
            />
          </Field>
        ))}
        <label className="flex min-h-10 items-center gap-2.5">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={defaults.drawsDown}
            onChange={() => set({ drawsDown: !defaults.drawsDown })}
          />
          What is pulled and fitted comes off the truck, and what comes goes onto it
        </label>
        <p className="text-[13px] text-quiet">
          New jobs begin with these. A job that is begun keeps its own; where it departs stands with its
          habits on the bench.
        </p>
        <div className="mt-3 lg:sticky lg:top-0">
          <HabitBox preferences={defaults.preferences} />
        </div>
      </section>
    </div>
  );
};
