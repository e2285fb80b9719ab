import { ChevronRight, Copy } from 'lucide-react';
import { useState } from 'react';
import { cubicInches, dollars, type Article, type ArticleId, type PriceChange } from '@amber/core';
import { when } from '../../parts/format.js';
import { fresh } from '../../parts/fresh.js';
import { NameInput } from '../../parts/inputs.js';
import { Button, Field } from '../../parts/ui.js';
import { ArticleFields } from './ArticleFields.js';
import { Later } from './Later.js';
import type { Shop } from './useShop.js';

/** What an article is beside its price, in a few words. */
const sayKind = (article: Article): string => {
  switch (article.kind) {
    case 'cable':
      return `${article.awg} AWG, ${article.insulated.length} insulated, ${article.ground === 'none' ? 'no ground' : `ground ${article.ground}`}, coil of ${article.coilFeet} ft`;
    case 'box':
      return `${cubicInches(article.volume)}, ${article.gangs === 0 ? 'no gangs' : `${article.gangs} gang`}, ${article.metal ? 'steel' : 'nonmetallic'}, ${article.internalClamps ? 'clamps inside' : 'no clamps inside'}, for ${article.work} work`;
    case 'device':
      return `${article.amperes} A, ${article.gangs} gang, ${article.terminals.length} terminals`;
    case 'connector':
      return `${article.conductors[0]} to ${article.conductors[1]} conductors, ${article.sizes[0]} to ${article.sizes[1]} AWG`;
    case 'luminaire':
      return article.form;
    case 'sundry':
      return article.use;
  }
};

/** The packs of an article, or its coil: how many, and for how much. */
const packed = (article: Article, count: number | null, price: number): Article['pack'] =>
  count === null ? null : { count, price, singly: article.pack?.singly ?? true };

/** One article of the catalog, edited where it stands; what it is, and what its price was, on request. */
export const ArticleRow = ({
  article,
  shop,
  history,
  truck,
}: {
  article: Article;
  shop: Shop;
  history: readonly PriceChange[];
  /** Feet or pieces of it on the truck. */
  truck: number;
}) => {
  const [open, setOpen] = useState(false);
  const { name } = article;
  const change = (words: string, more: Partial<Article>) =>
    void shop.save(words, [{ before: article, after: { ...article, ...more } as Article }]);
  const copy = () => {
    const made = { ...article, id: fresh<ArticleId>(article.kind), name: `${name}, another` };
    // The way back from a new one is that it is not to be had: a job may have it already.
    void shop.save(`new like ${name}`, [{ before: { ...made, absent: true }, after: made }]);
  };
  return (
    <tbody className="border-b border-line">
      <tr
        className={`align-top max-md:flex max-md:flex-wrap max-md:items-center ${article.absent ? 'text-quiet' : ''}`}
      >
        <th scope="row" className="py-1 font-normal max-md:basis-full">
          <button
            type="button"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
            className="flex min-h-10 items-center gap-1.5 text-left font-semibold break-words"
          >
            <ChevronRight size={15} className={`shrink-0 ${open ? 'rotate-90' : ''}`} aria-hidden="true" />
            {name}
          </button>
        </th>
        <td className="px-2 py-1 max-md:w-28">
          <span className="text-[12.5px] text-quiet md:hidden">price, $</span>
          <Later
            label={`Price of ${name}, dollars`}
            money
            value={article.price / 10_000}
            onTake={(price) =>
              price !== null && change(`price of ${name}`, { price: Math.round(price * 10_000) })
            }
          />
        </td>
        <td className="px-2 py-1 max-md:w-24">
          <span className="text-[12.5px] text-quiet md:hidden">pack of</span>
          {article.kind === 'cable' ? (
            <span className="leading-10">{article.coilFeet} ft</span>
          ) : (
            <Later
              label={`Pack of ${name}: how many`}
              value={article.pack?.count ?? null}
              whole
              empty="singly"
              onTake={(count) =>
                change(`pack of ${name}`, { pack: packed(article, count, article.pack?.price ?? 0) })
              }
            />
          )}
        </td>
        <td className="px-2 py-1 max-md:w-28">
          {article.kind === 'cable' || article.pack ? (
            <span className="text-[12.5px] text-quiet md:hidden">
              {article.kind === 'cable' ? 'coil, $' : 'pack, $'}
            </span>
          ) : null}
          {article.kind === 'cable' ? (
            <Later
              label={`Coil of ${name}, dollars`}
              money
              value={article.coilPrice / 10_000}
              onTake={(price) =>
                price !== null && change(`coil of ${name}`, { coilPrice: Math.round(price * 10_000) })
              }
            />
          ) : article.pack ? (
            <Later
              label={`Pack of ${name}, dollars`}
              money
              value={article.pack.price / 10_000}
              onTake={(price) =>
                price !== null &&
                change(`pack of ${name}`, {
                  pack: packed(article, article.pack?.count ?? null, Math.round(price * 10_000)),
                })
              }
            />
          ) : null}
        </td>
        <td className="px-2 py-1">
          <label className="flex min-h-10 items-center gap-2">
            <input
              type="checkbox"
              aria-label={`${name} is not to be had`}
              className="size-5 accent-ink"
              checked={article.absent}
              onChange={() =>
                change(`${name} ${article.absent ? 'to be had' : 'not to be had'}`, {
                  absent: !article.absent,
                })
              }
            />
            <span className="text-[13px] md:hidden">not to be had</span>
          </label>
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={5} className="pb-3 pl-6">
            <div className="flex flex-wrap items-end gap-3">
              <div className="w-80 max-w-full">
                <Field label="Name">
                  <NameInput
                    value={name}
                    onChange={(called) => change(`name of ${name}`, { name: called })}
                  />
                </Field>
              </div>
              <div className="w-44">
                <Field label={`On the truck, ${article.kind === 'cable' ? 'ft' : 'pieces'}`}>
                  <Later
                    label={`On the truck: ${name}`}
                    value={truck}
                    onTake={(amount) => amount !== null && void shop.moveTruck(article.id, amount - truck)}
                  />
                </Field>
              </div>
              <Button onClick={copy}>
                <Copy size={16} /> New like this
              </Button>
            </div>
            <ArticleFields
              article={article}
              onChange={(words, after) => void shop.save(words, [{ before: article, after }])}
            />
            <p className="mt-2 text-[13.5px] text-quiet">{sayKind(article)}</p>
            {history.length > 0 ? (
              <ul aria-label={`Prices of ${name}`} className="mt-1 text-[13.5px]">
                {history.map(({ at, before, after }, i) => (
                  <li key={`${at} ${i}`}>
                    {when(at)}: {dollars(before)} to {dollars(after)}
                  </li>
                ))}
              </ul>
            ) : null}
          </td>
        </tr>
      ) : null}
    </tbody>
  );
};
