import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ChevronRight } from 'lucide-react';
import { useMemo } from 'react';
import {
  dollars,
  estimate,
  orderLines,
  pricesSince,
  withPrices,
  type ArticleId,
  type PriceSince,
} from '@amber/core';
import { plural } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useCatalogQuery } from '../../server/api.js';
import { useEdit } from '../../store/review.js';
import type { OrderView } from './useOrder.js';

const said = ({ was, is }: PriceSince): string =>
  [
    was.price === is.price ? '' : `${dollars(was.price)} to ${dollars(is.price)}`,
    was.pack === is.pack
      ? ''
      : `pack ${was.pack === null ? 'none' : dollars(was.pack)} to ${is.pack === null ? 'none' : dollars(is.pack)}`,
    was.coil === is.coil ? '' : `coil ${dollars(was.coil ?? 0)} to ${dollars(is.coil ?? 0)}`,
  ]
    .filter((one) => one !== '')
    .join(', ');

/** What the shop asks otherwise since this job was priced: what it comes to in this order, taken all at once or one by one, or left. */
export const OldPrices = ({ view: { job, review, list, part, records } }: { view: OrderView }) => {
  const edit = useEdit();
  const { data: catalog } = useCatalogQuery();
  const since = useMemo(() => (catalog ? pricesSince(job, catalog.articles) : []), [job, catalog]);
  const total = useMemo(() => {
    if (!catalog || since.length === 0) return list.total;
    const priced = withPrices(job, catalog.articles, new Set(since.map(({ article }) => article)));
    return orderLines(priced, estimate(priced, review.wiring, review.drawn), part, records).total;
  }, [job, review, catalog, since, list, part, records]);
  if (!catalog || since.length === 0) return null;
  const more = total - list.total;
  const used = new Set(list.lines.map(({ article }) => article));
  const take = (articles: readonly ArticleId[], words: string) =>
    edit(withPrices(job, catalog.articles, new Set(articles)), words);
  return (
    <section
      aria-label="Prices have changed since"
      className="rounded-md border border-line bg-sheet p-3 text-[14px] print:hidden"
    >
      <div className="flex flex-wrap items-center justify-between gap-2">
        <p>
          <strong>Prices have changed since this job was priced:</strong> {plural(since.length, 'article')}.
          This order would be{' '}
          {more === 0 ? 'as much' : `${dollars(Math.abs(more))} ${more > 0 ? 'more' : 'less'}`}.
        </p>
        <Button
          onClick={() =>
            take(
              since.map(({ article }) => article),
              'prices of the shop',
            )
          }
        >
          Take them all
        </Button>
      </div>
      <Disclosure>
        <DisclosureButton className="group flex min-h-11 items-center gap-2 font-semibold">
          <ChevronRight size={16} className="group-data-open:rotate-90" aria-hidden="true" />
          Which, and from what to what
        </DisclosureButton>
        <DisclosurePanel as="ul">
          {since.map((one) => (
            <li key={one.article} className="flex flex-wrap items-center gap-2 border-t border-line py-1">
              <span className="min-w-0 flex-1">
                <strong>{one.name}</strong>: {said(one)}
                {used.has(one.article) ? '' : '; not in this order'}
              </span>
              <Button
                aria-label={`Take the price of ${one.name}`}
                onClick={() => take([one.article], `price of ${one.name}`)}
              >
                Take it
              </Button>
            </li>
          ))}
        </DisclosurePanel>
      </Disclosure>
    </section>
  );
};
