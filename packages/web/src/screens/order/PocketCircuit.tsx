import { Smartphone } from 'lucide-react';
import { useState } from 'react';
import { readPocketTicks, type CircuitId } from '@amber/core';
import { FileButton } from '../../parts/FileButton.js';
import { saveFile } from '../../parts/saveFile.js';
import { Button, Select } from '../../parts/ui.js';
import { pocketFile } from '../../pocket/pocket.js';
import { recordsFound } from '../../store/recordSlice.js';
import { useAppDispatch } from '../../store/store.js';
import { useNumbered } from './useNumbered.js';
import type { OrderView } from './useOrder.js';

/** The page that every pocket circuit is made of, as it was built. */
const pageOf = async (): Promise<string> => {
  const answer = await fetch('/pocket.html');
  if (!answer.ok) throw new Error(`the page of it could not be had (${answer.status})`);
  const page = await answer.text();
  if (page.includes('src="/src/')) throw new Error('the program was not built; build it first');
  return page;
};

/** One circuit as one file that flips, glows, shows its steps and ticks without the program; and its ticks taken in again. */
export const PocketCircuit = ({
  view,
  circuit,
  state,
}: {
  view: OrderView;
  circuit: CircuitId | null;
  /** Of the job: which revision, and whether it was changed since. */
  state: string;
}) => {
  const dispatch = useAppDispatch();
  const number = useNumbered(view);
  const { job, review, records } = view;
  const [picked, setPicked] = useState<CircuitId | null>(circuit);
  const [told, setTold] = useState<{ wrong: boolean; words: string } | null>(null);
  const wired = job.circuits.filter(
    ({ id }) =>
      review.standing.includes(id) || review.plans.some((one) => one.circuit.id === id && one.outcome.ok),
  );
  const chosen = wired.find(({ id }) => id === (circuit ?? picked)) ?? (circuit ? undefined : wired[0]);
  const make = async () => {
    const numbered = number();
    if (!chosen || !numbered) return;
    setTold(null);
    try {
      const page = await pageOf();
      const made = new Date().toLocaleDateString('en-US', { dateStyle: 'long' });
      const file = pocketFile(page, {
        job: numbered,
        circuit: chosen.id,
        records: records.filter(({ kind }) => kind === 'tick' || kind === 'retraction'),
        made,
        state,
      });
      saveFile(`${chosen.name}, ${job.name}.html`, 'text/html', file);
      setTold({
        wrong: false,
        words: `It is made: ${Math.round(file.length / 1024).toLocaleString('en-US')} kB.`,
      });
    } catch (problem) {
      setTold({ wrong: true, words: `The pocket circuit could not be made: ${(problem as Error).message}.` });
    }
  };
  const take = async (file: File | undefined) => {
    if (!file) return;
    const read = readPocketTicks(await file.text(), job.id);
    if (!read.ok) {
      const [fault] = read.faults;
      setTold({
        wrong: true,
        words: `Nothing was taken from ${file.name}. ${fault?.path}: ${fault?.message}`,
      });
      return;
    }
    const known = new Set(records.map(({ id }) => id));
    const fresh = read.records.filter(({ id }) => !known.has(id));
    dispatch(recordsFound(fresh.map((record) => ({ job: job.id, record }))));
    const ticks = fresh.filter(({ kind }) => kind === 'tick').length;
    const back = fresh.length - ticks;
    setTold({
      wrong: false,
      words:
        fresh.length === 0
          ? `${file.name}: all of it is here already.`
          : `${file.name}: ${ticks} ticked${back > 0 ? `, ${back} taken back` : ''}. What changed since asks to be looked at again.`,
    });
  };
  return (
    <section
      aria-label="Pocket circuit"
      className="flex flex-col gap-3 border-t border-line pt-4 print:hidden"
    >
      <h2 className="text-[15px] font-bold">Pocket circuit</h2>
      <p className="text-[14px]">
        One circuit as one file for a telephone: it flips its handles, shows what is live, follows a wire and
        ticks its steps, with no connection and without this program. Its ticks come back as a file.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        {circuit ? null : (
          <Select
            aria-label="Circuit of the pocket circuit"
            value={chosen?.id ?? ''}
            onChange={(event) => setPicked(event.target.value as CircuitId)}
            className="max-w-72"
          >
            {wired.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        )}
        <Button disabled={!chosen} onClick={() => void make()}>
          <Smartphone size={17} /> Save the pocket circuit
        </Button>
        <FileButton
          words="Bring its ticks back"
          label="Ticks of a pocket circuit"
          onFile={(file) => void take(file)}
        />
      </div>
      {chosen ? null : (
        <p className="text-[14px]">
          {circuit ? 'This circuit is not wired' : 'No circuit is wired'}: plan it first.
        </p>
      )}
      {told ? (
        <p
          role={told.wrong ? 'alert' : 'status'}
          className={`text-[14px] ${told.wrong ? 'text-violation' : ''}`}
        >
          {told.words}
        </p>
      ) : null}
      <p className="text-[13px] text-quiet">
        The file holds the whole job, since boxes are shared: hand it on only to whom you would hand the job.
      </p>
    </section>
  );
};
