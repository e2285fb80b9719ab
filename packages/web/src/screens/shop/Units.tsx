import { JUDGEMENT_REASONS, JUDGEMENT_WORDS, type Catalog, type Judgement, type Labour } from '@amber/core';
import { Field } from '../../parts/ui.js';
import { Later } from './Later.js';
import type { Shop } from './useShop.js';

type Leaf = [path: string, value: number];

/** The figures of labour by their dotted names. */
const leavesOf = (labour: object, before = ''): Leaf[] =>
  Object.entries(labour).flatMap(([key, value]: [string, unknown]) =>
    typeof value === 'number'
      ? [[before + key, value] as Leaf]
      : leavesOf(value as object, `${before}${key}.`),
  );

const WORDS: Record<string, string> = {
  'foot.open': 'A foot through open framing',
  'foot.attic': 'A foot in the attic',
  'foot.basement': 'A foot in the basement',
  'foot.fished': 'A foot fished',
  run: 'Setting up a run',
  opening: 'A drywall opening',
  'box.new': 'A new box',
  'box.old': 'A box in a finished wall',
  'box.existing': 'A box opened',
  'splice.lever': 'A splice, lever',
  'splice.pushIn': 'A splice, push-in',
  'splice.twistOn': 'A splice, twist-on',
  'splice.groundingTwistOn': 'A splice, grounding twist-on',
  'splice.crimp': 'A splice, crimped',
  device: 'A device',
  luminaire: 'A luminaire hung',
  high: 'Added above 10 ft',
};

const withLeaf = (labour: Labour, path: string, value: number): Labour => {
  const [key = '', inner] = path.split('.');
  const held = labour[key as keyof Labour];
  return { ...labour, [key]: inner === undefined ? value : { ...(held as object), [inner]: value } };
};

/** Minutes by what is done, the rate, and what a master pays for beside material and labour. */
export const Units = ({
  catalog: { labour, judgement, defaults },
  shop,
}: {
  catalog: Catalog;
  shop: Shop;
}) => (
  <div className="grid max-w-5xl gap-x-10 gap-y-5 lg:grid-cols-2">
    <section aria-label="Labour units">
      <h2 className="mb-2 text-[15px] font-bold">Labour, minutes each</h2>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Rate, $ an hour">
          <Later
            label="Rate, dollars an hour"
            money
            value={labour.rate / 10_000}
            onTake={(rate) =>
              rate !== null &&
              void shop.saveUnits({
                labour: { ...labour, rate: Math.round(rate * 10_000) },
                judgement,
                defaults,
              })
            }
          />
        </Field>
        {leavesOf(labour)
          .filter(([path]) => path !== 'rate')
          .map(([path, value]) => (
            <Field key={path} label={WORDS[path] ?? path}>
              <Later
                label={`${WORDS[path] ?? path}, minutes`}
                value={value}
                onTake={(minutes) =>
                  minutes !== null &&
                  void shop.saveUnits({ labour: withLeaf(labour, path, minutes), judgement, defaults })
                }
              />
            </Field>
          ))}
      </div>
    </section>
    <section aria-label="Prices of judgement">
      <h2 className="mb-2 text-[15px] font-bold">Judgement, $ each</h2>
      <p className="mb-2 text-[13.5px] text-quiet">
        What a way is worth more that a master would rather have: it ranks the ways of a circuit, and is no
        money that anybody pays.
      </p>
      <div className="grid grid-cols-2 gap-3">
        {(Object.keys(judgement) as (keyof Judgement)[]).map((which) => (
          <Field key={which} label={JUDGEMENT_WORDS[which]}>
            <Later
              label={`${JUDGEMENT_WORDS[which]}, dollars`}
              money
              value={judgement[which] / 10_000}
              onTake={(price) =>
                price !== null &&
                void shop.saveUnits({
                  labour,
                  judgement: { ...judgement, [which]: Math.round(price * 10_000) },
                  defaults,
                })
              }
            />
            <span className="mt-1 block text-[12.5px] font-normal text-quiet">
              {JUDGEMENT_REASONS[which]}
            </span>
          </Field>
        ))}
      </div>
    </section>
  </div>
);
