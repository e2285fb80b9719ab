import { FileText, Square } from 'lucide-react';
import { useCallback, useState } from 'react';
import type { Circuit } from '@amber/core';
import { ALL_SECTIONS, SECTIONS, type Paper, type Section } from '@amber/packet/sections';
import { OneOf } from '../../parts/OneOf.js';
import { saveBlob } from '../../parts/saveFile.js';
import { Button } from '../../parts/ui.js';
import { useAppSelector } from '../../store/store.js';
import { usePacket } from '../../worker/usePacket.js';
import { PocketCircuit } from './PocketCircuit.js';
import { useNumbered } from './useNumbered.js';
import type { OrderView } from './useOrder.js';

/** The packet of the job, or of the circuit at hand, as a PDF: its parts by choice, on either paper. */
export const Packet = ({ view, circuit }: { view: OrderView; circuit: Circuit | null }) => {
  const { job, records } = view;
  const number = useNumbered(view);
  const parent = useAppSelector(({ job: { open } }) => open?.parent ?? null);
  const isSaved = useAppSelector(({ job: { open } }) => open?.save.kind === 'saved');
  const [sections, setSections] = useState<readonly Section[]>(ALL_SECTIONS);
  const [paper, setPaper] = useState<Paper>('letter');
  const state = parent === null ? 'not saved' : `revision ${parent}${isSaved ? '' : ', changed since'}`;
  const name = circuit ? `${job.name}, ${circuit.name}` : job.name;
  const save = useCallback(
    (pdf: Uint8Array) =>
      saveBlob(new Blob([pdf as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }), `${name}.pdf`),
    [name],
  );
  const { work, make, stop } = usePacket(save);
  const toggle = (section: Section) =>
    setSections(
      ALL_SECTIONS.filter((one) => (one === section ? !sections.includes(one) : sections.includes(one))),
    );
  const begin = () => {
    const numbered = number();
    if (numbered) make({ job: numbered, circuit: view.circuit, records, sections, paper, state });
  };
  const working = work?.kind === 'working';
  const isBrief = sections.includes('brief');
  return (
    <div className="flex max-w-3xl flex-col gap-4">
      <h2 className="text-[15px] font-bold">
        The packet{circuit ? ` of ${circuit.name} alone` : ''}, as a PDF
      </h2>
      <fieldset className="grid gap-x-6 sm:grid-cols-2">
        <legend className="mb-1 text-[13px] font-semibold">What is in it</legend>
        {ALL_SECTIONS.map((section) => (
          <label key={section} className="flex min-h-11 items-center gap-3 text-[14px]">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={sections.includes(section)}
              onChange={() => toggle(section)}
            />
            {SECTIONS[section]}
          </label>
        ))}
      </fieldset>
      {circuit ? (
        <Button
          className="self-start"
          aria-pressed={isBrief}
          onClick={() => setSections(isBrief ? ALL_SECTIONS : ['brief'])}
        >
          {isBrief ? 'The whole packet instead' : SECTIONS.brief}
        </Button>
      ) : null}
      <div className="max-w-64">
        <OneOf
          label="Paper"
          options={[
            { value: 'letter', words: 'Letter' },
            { value: 'a4', words: 'A4' },
          ]}
          value={paper}
          onPick={setPaper}
        />
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button look="main" disabled={working || sections.length === 0} onClick={begin}>
          <FileText size={17} /> Make the packet
        </Button>
        {working ? (
          <Button onClick={stop}>
            <Square size={15} /> Stop
          </Button>
        ) : null}
        <p role="status" className="text-[14px]">
          {work === null
            ? ''
            : work.kind === 'working'
              ? work.words
              : work.kind === 'done'
                ? `It is made: ${Math.round(work.bytes / 1024).toLocaleString('en-US')} kB.`
                : work.kind === 'stopped'
                  ? 'Stopped. Nothing was written.'
                  : ''}
        </p>
      </div>
      {work?.kind === 'failed' ? (
        <p role="alert" className="text-[14px] text-violation">
          The packet could not be made: {work.message}
        </p>
      ) : null}
      <p className="text-[13px] text-quiet">
        It holds the plan as it is now, with the state of the job and the safety note on its pages. Numbers of
        cables are those of the tags. It licenses nobody and passes nothing.
      </p>
      <PocketCircuit view={view} circuit={circuit?.id ?? null} state={state} />
    </div>
  );
};
