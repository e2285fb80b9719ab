import { Printer, Save } from 'lucide-react';
import { useState } from 'react';
import {
  countOf,
  cubicInches,
  dollars,
  editionName,
  EDITIONS,
  sayFillLine,
  smallestForWorksheet,
  standardStock,
  withCount,
  worksheetFill,
  WORKSHEET_SIZES,
  type Edition,
  type Worksheet,
  type WorksheetCount,
} from '@amber/core';
import { NameInput, NumberInput } from '../../parts/inputs.js';
import { FileButton } from '../../parts/FileButton.js';
import { Button, Field, SafetyNote, Select, SeverityMark } from '../../parts/ui.js';
import { saveFile } from '../../parts/saveFile.js';
import { Counter } from './Counter.js';
import { IntoJob, SheetBar } from './SheetBar.js';
import {
  keepSheets,
  keptSheets,
  newSheet,
  sheetFrom,
  type KeptSheet,
  type KeptSheets,
} from '../../store/keptSheets.js';

const STOCK = standardStock();

const COUNTED: { what: WorksheetCount; title: string; hint: string }[] = [
  {
    what: 'conductors',
    title: 'Conductors',
    hint: 'Each insulated conductor that comes from outside. Pigtails do not count.',
  },
  { what: 'grounds', title: 'Grounds', hint: 'Each bare or green conductor that comes from outside.' },
  { what: 'yokes', title: 'Devices', hint: 'Each switch or receptacle, by the largest conductor on it.' },
];

const Answer = ({ sheet }: { sheet: Worksheet }) => {
  const { needed, available, verdict } = worksheetFill(sheet);
  const left = (available ?? 0) - needed;
  return (
    <div
      role="status"
      className="sticky top-0 z-10 flex items-center gap-3 border-b border-line bg-sheet px-4 py-3 text-[16px] font-semibold"
    >
      <SeverityMark severity={verdict === 'over' ? 'violation' : 'pass'} />
      <span className={verdict === 'over' ? 'text-violation' : ''}>
        {cubicInches(needed)} needed of {cubicInches(available ?? 0)}:{' '}
        {verdict === 'over' ? `${cubicInches(-left)} too small` : `fits, ${cubicInches(left)} left`}
      </span>
    </div>
  );
};

/** Every line of the arithmetic, and the smallest boxes that would do. */
const Reckoning = ({ sheet }: { sheet: Worksheet }) => {
  const fill = worksheetFill(sheet);
  const { nonmetallic, steel } = smallestForWorksheet(sheet, STOCK);
  const smallest = [
    ['Smallest of plastic', nonmetallic],
    ['Smallest of steel', steel],
  ] as const;
  return (
    <section aria-label="Arithmetic" className="flex flex-col gap-3">
      <h2 className="text-[15px] font-bold">Arithmetic, by 314.16 of {editionName(sheet.edition)}</h2>
      {fill.lines.length === 0 ? <p className="text-quiet">Nothing is counted yet.</p> : null}
      <ul className="text-[14px]">
        {fill.lines.map((line) => (
          <li
            key={`${line.what} ${line.awg}`}
            className="flex justify-between gap-3 border-b border-line py-1"
          >
            <span>
              {sayFillLine(line)}
              <span className="block text-[12.5px] text-quiet">
                {line.section}, {cubicInches(line.each)} each
              </span>
            </span>
            <strong className="whitespace-nowrap">{cubicInches(line.total)}</strong>
          </li>
        ))}
      </ul>
      <dl className="text-[14px]">
        {smallest.map(([title, offer]) => (
          <div key={title} className="flex justify-between gap-3 border-b border-line py-1">
            <dt>{title}</dt>
            <dd className="text-right font-semibold">
              {offer
                ? `${offer.articles.map(({ name }) => name).join(' with ')}, ${cubicInches(offer.volume)}, ${dollars(offer.price)}`
                : 'none of the standard stock'}
            </dd>
          </div>
        ))}
      </dl>
      <p className="text-[13px] text-quiet">
        A nonmetallic box is marked with its volume inside; one without a mark is to be verified. Rings and
        extensions add what is marked on them.
      </p>
    </section>
  );
};

/** A box that is in no job: counted with a thumb, answered at once, kept in this browser, as a file, and on paper. */
export const WorksheetScreen = () => {
  const [kept] = useState(keptSheets);
  const [sheets, setSheets] = useState(kept.sheets);
  const [thrown, setThrown] = useState<KeptSheet | null>(null);
  const [{ id, sheet }, ...others] = sheets;
  const [trouble, setTrouble] = useState<string | null>(
    kept.unread
      ? 'What this browser had kept cannot be read by this version. It was put aside, and a new sheet begun.'
      : null,
  );
  const keep = (next: KeptSheets) => {
    setSheets(next);
    setTrouble(
      keepSheets(next)
        ? null
        : 'This browser keeps nothing more: save the sheet as a file before you leave it.',
    );
  };
  const change = (next: Worksheet) => keep([{ id, sheet: next }, ...others]);
  const add = (one: KeptSheet) => keep([one, ...sheets]);
  const contents = (more: Partial<Worksheet['contents']>) =>
    change({ ...sheet, contents: { ...sheet.contents, ...more } });
  const [box] = sheet.sections;
  const open = async (file: File | undefined) => {
    if (!file) return;
    const read = sheetFrom(await file.text());
    if (read.ok) add({ ...newSheet(), sheet: read.sheet });
    else setTrouble(`${file.name} was not opened. ${read.why}`);
  };
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      <Answer sheet={sheet} />
      <div className="mx-auto grid max-w-5xl gap-x-10 gap-y-6 px-4 py-5 md:grid-cols-2">
        <div className="flex flex-col gap-5">
          <h1 className="text-2xl font-bold">Box fill worksheet</h1>
          <SheetBar
            sheets={sheets}
            onPick={(picked) =>
              keep([
                ...sheets.filter((one) => one.id === picked),
                ...sheets.filter((one) => one.id !== picked),
              ] as unknown as KeptSheets)
            }
            onNew={() => add(newSheet(`Box ${sheets.length + 1}`))}
            onDrop={() => {
              const [next = newSheet(), ...rest] = others;
              setThrown(sheets[0]);
              keep([next, ...rest]);
            }}
          />
          {thrown ? (
            <p role="status" className="flex flex-wrap items-center gap-3 text-[14px] print:hidden">
              {thrown.sheet.name} was thrown away.
              <Button
                onClick={() => {
                  add(thrown);
                  setThrown(null);
                }}
              >
                Bring it back
              </Button>
            </p>
          ) : null}
          {trouble ? (
            <p role="alert" className="rounded-md border border-violation bg-sheet p-3 text-violation">
              {trouble}
            </p>
          ) : null}
          <div className="grid grid-cols-2 gap-3">
            <Field label="Name">
              <NameInput value={sheet.name} onChange={(name) => change({ ...sheet, name })} />
            </Field>
            <Field label="Code edition">
              <Select
                value={sheet.edition}
                onChange={(event) => change({ ...sheet, edition: Number(event.target.value) as Edition })}
              >
                {EDITIONS.map((edition) => (
                  <option key={edition} value={edition}>
                    {editionName(edition)}
                  </option>
                ))}
              </Select>
            </Field>
            <Field label="Marked volume of the box, in³">
              <NumberInput
                value={(box?.volume ?? 0) / 10_000}
                least={1}
                most={1000}
                unit="in³"
                onChange={(volume) =>
                  change({
                    ...sheet,
                    sections: [
                      { name: 'Box', volume: Math.round(volume * 10_000) },
                      ...sheet.sections.slice(1),
                    ],
                  })
                }
              />
            </Field>
          </div>
          {COUNTED.map(({ what, title, hint }) => (
            <section key={what} aria-label={title}>
              <h2 className="text-[15px] font-bold">{title}</h2>
              <p className="text-[13px] text-quiet">{hint}</p>
              {WORKSHEET_SIZES.map((awg) => (
                <Counter
                  key={awg}
                  label={`${title}, ${awg} AWG`}
                  count={countOf(sheet, what, awg)}
                  onChange={(count) => change(withCount(sheet, what, awg, count))}
                />
              ))}
            </section>
          ))}
          <section aria-label="Fittings">
            <h2 className="text-[15px] font-bold">Clamps and fittings</h2>
            <label className="flex min-h-12 items-center gap-3 border-b border-line">
              <input
                type="checkbox"
                className="size-6 accent-ink"
                checked={sheet.contents.internalClamps}
                onChange={() => contents({ internalClamps: !sheet.contents.internalClamps })}
              />
              Cable clamps inside the box: one allowance, however many
            </label>
            <Counter
              label="Kinds of support fittings: stud, hickey"
              count={sheet.contents.supportFittings}
              onChange={(count) => contents({ supportFittings: Math.max(0, Math.min(10, count)) })}
            />
            <Counter
              label="Luminaire leads, 18 AWG"
              count={countOf(sheet, 'fixtureWires', 18)}
              onChange={(count) => change(withCount(sheet, 'fixtureWires', 18, count))}
            />
            <label className="flex min-h-12 items-center gap-3 border-b border-line">
              <input
                type="checkbox"
                className="size-6 accent-ink"
                checked={sheet.contents.domedCanopy}
                onChange={() => contents({ domedCanopy: !sheet.contents.domedCanopy })}
              />
              The luminaire has a domed canopy: up to four leads are not counted
            </label>
          </section>
        </div>
        <div className="flex flex-col gap-5 self-start md:sticky md:top-18">
          <Reckoning sheet={sheet} />
          <div className="flex flex-wrap gap-2 print:hidden">
            <Button
              look="main"
              onClick={() =>
                saveFile(`${sheet.name}.json`, 'application/json', `${JSON.stringify(sheet, null, 2)}\n`)
              }
            >
              <Save size={17} /> Save as file
            </Button>
            <FileButton words="Open file" label="Worksheet file" onFile={(file) => void open(file)} />
            <Button onClick={() => print()}>
              <Printer size={17} /> Print
            </Button>
          </div>
          {/* One that nobody has touched is not kept yet. */}
          <IntoJob sheet={id} onLeave={() => keep(sheets)} />
          <p className="text-[13px] text-quiet">
            Every sheet stays in this browser until it is thrown away. A file that is opened is one more
            sheet.
          </p>
          <SafetyNote className="border-t border-line pt-4" />
        </div>
      </div>
    </main>
  );
};
