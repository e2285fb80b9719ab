import { Download } from 'lucide-react';
import { useState } from 'react';
import {
  catalogSheet,
  csvOf,
  dollars,
  readCatalogSheet,
  type Article,
  type ArticleChange,
  type SheetRead,
} from '@amber/core';
import { FileButton } from '../../parts/FileButton.js';
import { plural } from '../../parts/format.js';
import { saveFile } from '../../parts/saveFile.js';
import { Button } from '../../parts/ui.js';
import type { Shop } from './useShop.js';

/** What of an article would be otherwise, in words. */
const sayChange = ({ before, after }: ArticleChange): string =>
  [
    before.name === after.name ? '' : `called ${after.name}`,
    before.price === after.price ? '' : `${dollars(before.price)} to ${dollars(after.price)}`,
    JSON.stringify(before.pack) === JSON.stringify(after.pack)
      ? ''
      : after.pack
        ? `pack of ${after.pack.count} for ${dollars(after.pack.price)}${after.pack.singly ? '' : ', not singly'}`
        : 'in no pack',
    before.kind === 'cable' && after.kind === 'cable' && before.coilPrice !== after.coilPrice
      ? `coil ${dollars(before.coilPrice)} to ${dollars(after.coilPrice)}`
      : '',
    before.absent === after.absent ? '' : after.absent ? 'not to be had' : 'to be had again',
  ]
    .filter((one) => one !== '')
    .join(', ');

/** The catalog as a table out, and in again: what it would change, or what is wrong with it by row and column, before anything is taken. */
export const InAndOut = ({ articles, shop }: { articles: readonly Article[]; shop: Shop }) => {
  const [read, setRead] = useState<{ name: string; found: SheetRead } | null>(null);
  const open = async (file: File | undefined) => {
    if (file) setRead({ name: file.name, found: readCatalogSheet(await file.text(), articles) });
  };
  return (
    <div className="flex max-w-3xl flex-col gap-4">
      <div className="flex flex-wrap gap-2">
        <Button
          onClick={() => saveFile('catalog.csv', 'text/csv;charset=utf-8', csvOf(catalogSheet(articles)))}
        >
          <Download size={17} /> Catalog as CSV
        </Button>
        <FileButton words="Bring a table in" label="Catalog table" onFile={(file) => void open(file)} />
      </div>
      <p className="text-[13.5px] text-quiet">
        Change prices, packs and names in any spreadsheet. Rows and columns may be left out; what is not in
        the table stays as it is.
      </p>
      {read === null ? null : read.found.ok ? (
        <section
          aria-label="What it would change"
          className="rounded-md border border-line bg-white p-3 text-[14px]"
        >
          <div className="flex flex-wrap items-center justify-between gap-2">
            <strong>
              {read.found.changes.length === 0
                ? `${read.name} changes nothing.`
                : `${read.name} changes ${plural(read.found.changes.length, 'article')}.`}
            </strong>
            {read.found.changes.length > 0 ? (
              <span className="flex gap-2">
                <Button onClick={() => setRead(null)}>Leave it</Button>
                <Button
                  look="main"
                  onClick={() => {
                    if (read.found.ok)
                      void shop
                        .save(read.name, read.found.changes)
                        .then((ok) => (ok ? setRead(null) : undefined));
                  }}
                >
                  Take them
                </Button>
              </span>
            ) : null}
          </div>
          <ul className="mt-2">
            {read.found.changes.map((change) => (
              <li key={change.before.id} className="border-t border-line py-1">
                <strong>{change.before.name}</strong>: {sayChange(change)}
              </li>
            ))}
          </ul>
        </section>
      ) : (
        <section
          role="alert"
          aria-label="What is wrong with it"
          className="rounded-md border border-violation bg-sheet p-3 text-[14px]"
        >
          <strong>{read.name} was not taken. Mend these, and bring it in again; nothing was changed.</strong>
          <ul className="mt-2 list-disc pl-5">
            {read.found.faults.map(({ row, column, message }, i) => (
              <li key={i}>
                {row > 0 ? `Row ${row}${column === '' ? '' : `, ${column}`}: ` : ''}
                {message}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
};
