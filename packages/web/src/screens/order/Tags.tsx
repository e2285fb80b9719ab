import { Download, Printer } from 'lucide-react';
import { useState } from 'react';
import { tagSheet, tagsOf, type Tag } from '@amber/core';
import { OneOf } from '../../parts/OneOf.js';
import { Button } from '../../parts/ui.js';
import { saveCsv } from './csv.js';
import { useNumbered } from './useNumbered.js';
import type { OrderView } from './useOrder.js';

/** Label stock by its size, inches: how many stand side by side on a letter page, and how far it is from one to the next. */
interface Stock {
  words: string;
  width: number;
  height: number;
  across: number;
  down: number;
  /** From the left and the upper edge of the page to the first. */
  left: number;
  top: number;
  /** From the left edge of one to that of the next. */
  pitch: number;
}

const STOCKS = {
  large: {
    words: '1 x 2 5/8 in, 30 a page',
    width: 2.625,
    height: 1,
    across: 3,
    down: 10,
    left: 0.1875,
    top: 0.5,
    pitch: 2.75,
  },
  small: {
    words: '1/2 x 1 3/4 in, 80 a page',
    width: 1.75,
    height: 0.5,
    across: 4,
    down: 20,
    left: 0.3,
    top: 0.5,
    pitch: 2.05,
  },
  strips: {
    words: 'Plain strips to cut',
    width: 7.5,
    height: 0.45,
    across: 1,
    down: 22,
    left: 0.5,
    top: 0.5,
    pitch: 7.5,
  },
} satisfies Record<string, Stock>;
type StockId = keyof typeof STOCKS;

const inches = (value: number): string => `${value}in`;

const TagText = ({ tag, stock }: { tag: Tag; stock: StockId }) => (
  <div
    className={`flex h-full items-center gap-2 overflow-hidden px-1.5 leading-tight ${stock === 'small' ? 'text-[6.5pt]' : 'text-[8.5pt]'}`}
  >
    <strong className={stock === 'small' ? 'text-[12pt]' : 'text-[16pt]'}>{tag.number}</strong>
    <span className="min-w-0 break-words">
      <span className="block font-bold">at {tag.at}</span>
      {tag.text}
    </span>
  </div>
);

/** Pages of tags as they are printed, to the inch. */
const Pages = ({ tags, stock }: { tags: readonly Tag[]; stock: StockId }) => {
  const { width, height, across, down, left, top, pitch }: Stock = STOCKS[stock];
  const each = across * down;
  const pages = Array.from({ length: Math.ceil(tags.length / each) }, (_one, i) =>
    tags.slice(i * each, (i + 1) * each),
  );
  return pages.map((page, at) => (
    <div
      key={at}
      className="tag-page relative bg-white shadow-sm print:shadow-none"
      style={{ width: inches(8.5), height: inches(11) }}
    >
      {page.map((tag, i) => (
        <div
          key={`${tag.cable} ${tag.at} ${i}`}
          className={`absolute ${stock === 'strips' ? 'border border-dashed border-quiet' : 'rounded-sm outline outline-line print:outline-none'}`}
          style={{
            left: inches(left + (i % across) * pitch),
            top: inches(top + Math.floor(i / across) * height),
            width: inches(width),
            height: inches(height),
          }}
        >
          <TagText tag={tag} stock={stock} />
        </div>
      ))}
    </div>
  ));
};

/** Two tags a cable, one for each end, put on before it is pushed into the box. Printed, their numbers stay with their cables. */
export const Tags = ({ view }: { view: OrderView }) => {
  const [stock, setStock] = useState<StockId>('large');
  const { job, cuts, numbers } = view;
  const tags = tagsOf(job, cuts, numbers);
  const give = useNumbered(view);
  if (cuts.length === 0)
    return <p className="text-[15px]">No new cable is planned, so there is nothing to tag.</p>;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex max-w-4xl flex-wrap items-center gap-3 print:hidden">
        <div className="min-w-0 flex-1 basis-96">
          <OneOf
            label="Label stock"
            options={(Object.keys(STOCKS) as StockId[]).map((value) => ({
              value,
              words: STOCKS[value].words,
            }))}
            value={stock}
            onPick={setStock}
          />
        </div>
        <Button
          look="main"
          onClick={() => {
            if (!give()) return;
            // What is given is drawn first.
            requestAnimationFrame(() => print());
          }}
        >
          <Printer size={17} /> Print {tags.length} tags
        </Button>
        <Button
          onClick={() => {
            if (!give()) return;
            saveCsv(job, 'tags', tagSheet(tags));
          }}
        >
          <Download size={17} /> Tags as CSV
        </Button>
        <p className="basis-full text-[13px] text-quiet">
          Letter pages, printed at their full size without margins. A number that was printed stays with its
          cable and is never given to another.
        </p>
      </div>
      <div
        className="flex flex-col gap-4 overflow-x-auto print:gap-0 print:overflow-visible"
        tabIndex={0}
        role="group"
        aria-label="Pages of tags"
      >
        <Pages tags={tags} stock={stock} />
      </div>
    </div>
  );
};
