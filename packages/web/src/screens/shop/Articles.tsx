import { useState } from 'react';
import type { Article } from '@amber/core';
import { controlLook, Select } from '../../parts/ui.js';
import { usePriceHistoryQuery, useTruckQuery } from '../../server/api.js';
import { ArticleRow } from './ArticleRow.js';
import type { Shop } from './useShop.js';

const KINDS: Record<Article['kind'] | 'all', string> = {
  all: 'All kinds',
  cable: 'Cable',
  box: 'Boxes, rings',
  device: 'Devices',
  luminaire: 'Luminaires',
  connector: 'Connectors',
  sundry: 'Sundries',
};

/** The catalog, searched and narrowed to a kind, edited where it stands. */
export const Articles = ({ articles, shop }: { articles: readonly Article[]; shop: Shop }) => {
  const [text, setText] = useState('');
  const [kind, setKind] = useState<keyof typeof KINDS>('all');
  const { data: history } = usePriceHistoryQuery();
  const { data: truck } = useTruckQuery();
  const words = text.trim().toLowerCase();
  const shown = articles.filter(
    (one) => (kind === 'all' || one.kind === kind) && one.name.toLowerCase().includes(words),
  );
  return (
    <div className="flex max-w-5xl flex-col gap-3">
      <div className="flex flex-wrap gap-2">
        <input
          type="search"
          aria-label="Find an article"
          placeholder="Find an article"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className={`${controlLook} max-w-64`}
        />
        <Select
          aria-label="Kind of article"
          className="max-w-44"
          value={kind}
          onChange={(event) => setKind(event.target.value as keyof typeof KINDS)}
        >
          {Object.entries(KINDS).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
        <p role="status" className="self-center text-[14px] text-quiet">
          {shown.length} of {articles.length}
        </p>
      </div>
      <table className="w-full text-left text-[14px]">
        <thead className="border-b-2 border-ink text-[13px] max-md:sr-only">
          <tr>
            <th scope="col" className="py-1">
              Article
            </th>
            <th scope="col" className="w-32 px-2">
              Price, $
            </th>
            <th scope="col" className="w-28 px-2">
              Pack of
            </th>
            <th scope="col" className="w-32 px-2">
              Pack or coil, $
            </th>
            <th scope="col" className="w-32 px-2">
              Not to be had
            </th>
          </tr>
        </thead>
        {shown.map((article) => (
          <ArticleRow
            key={article.id}
            article={article}
            shop={shop}
            truck={truck?.find((one) => one.article === article.id)?.amount ?? 0}
            history={(history ?? []).filter((one) => one.article === article.id)}
          />
        ))}
      </table>
      {shown.length === 0 ? (
        <p className="text-[15px]">No article is called so, or is of that kind.</p>
      ) : null}
    </div>
  );
};
