import { useState } from 'react';
import {
  findBox,
  placeName,
  sayOpening,
  type CircuitId,
  type Hue,
  type Stub,
  type WiresFound,
} from '@amber/core';
import { Cautions } from '../../../parts/Cautions.js';
import { HuePicks } from '../../../parts/HuePicks.js';
import { Button, Select } from '../../../parts/ui.js';
import { WordSelect } from '../../../parts/WordSelect.js';
import type { ProveView } from '../useTried.js';
import { draftOf, kindOfDraft, stubsOf, USUAL, type DraftBox, type DraftStub } from './stubs.js';

const KINDS = {
  ...Object.fromEntries(Object.entries(USUAL).map(([key, { words }]) => [key, words])),
  own: 'Other colours …',
};
const GROUNDS: Record<Stub['ground'], string> = {
  bare: 'bare ground',
  green: 'green ground',
  raceway: 'grounded by the raceway',
  none: 'no ground',
};

/** One cable, as it is seen in the box. */
const StubRow = ({
  name,
  number,
  stub,
  onChange,
  onTakeOut,
}: {
  name: string;
  number: number;
  stub: DraftStub;
  onChange: (stub: DraftStub) => void;
  onTakeOut: () => void;
}) => {
  const kind = kindOfDraft(stub);
  const [own, setOwn] = useState(kind === null);
  return (
    <li className="flex flex-wrap items-center gap-2 py-1.5">
      <strong className="w-6 text-right text-[17px]">{number}</strong>
      <WordSelect
        aria-label={`${name}, ${number}`}
        className="min-h-12! flex-1 basis-56"
        words={KINDS}
        value={own ? 'own' : (kind ?? 'own')}
        onPick={(picked) => {
          const usual = picked === null ? undefined : USUAL[picked];
          setOwn(!usual);
          onChange(usual ? usual.stub : { ...stub, loose: false });
        }}
      />
      <Button look="bare" aria-label={`${name}, ${number}: not there`} onClick={onTakeOut}>
        Not there
      </Button>
      {own ? (
        <div className="flex basis-full flex-wrap items-start gap-2 pl-8">
          <HuePicks hues={stub.hues} onChange={(hues: Hue[]) => onChange({ ...stub, hues })} />
          <WordSelect
            aria-label={`${name}, ${number}: ground`}
            className="w-auto!"
            words={GROUNDS}
            value={stub.ground}
            onPick={(ground) => ground && onChange({ ...stub, ground })}
          />
        </div>
      ) : null}
    </li>
  );
};

/** What comes into which box; then what is done in each before the first reading. */
export const WiresSetup = ({
  view,
  circuit,
  can,
  onBegin,
}: {
  view: ProveView;
  circuit: CircuitId;
  can: boolean;
  onBegin: (found: WiresFound) => void;
}) => {
  const { job, wiring } = view.review;
  const [boxes, setBoxes] = useState<DraftBox[]>(() => draftOf(job, wiring, circuit));
  const [told, setTold] = useState(false);
  const stubs = stubsOf(boxes);
  const set = (at: number, drafts: DraftStub[]) =>
    setBoxes(boxes.map((one, i) => (i === at ? { ...one, stubs: drafts } : one)));
  const others = job.boxes.filter(
    ({ id, work }) => work !== 'beyond' && boxes.every(({ box }) => box !== id),
  );
  if (told && stubs) {
    const opening = sayOpening({ job, circuit, found: { stubs } });
    return (
      <section aria-label="Before the first reading" className="flex max-w-2xl flex-col gap-3">
        <h2 className="text-[16px] font-bold">Before the first reading, in every box</h2>
        <Cautions cautions={opening.cautions} />
        <ol className="list-decimal pl-6 text-[16px] font-semibold">
          {opening.steps.map((words) => (
            <li key={words} className="py-0.5">
              {words}
            </li>
          ))}
        </ol>
        <div className="grid gap-3 sm:grid-cols-2">
          {opening.boxes.map(({ name, tape }) => (
            <div key={name} className="rounded-md border border-line bg-white p-3">
              <h3 className="text-[15px] font-bold">{name}</h3>
              <ul>
                {tape.map(({ number, on }) => (
                  <li key={number} className="flex gap-3 py-0.5 text-[14.5px]">
                    <strong className="w-5 shrink-0 text-right">{number}</strong>
                    {on}
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </div>
        <div className="flex flex-wrap gap-2">
          <Button look="main" className="min-h-14" disabled={!can} onClick={() => onBegin({ stubs })}>
            Every box is open, dead and parted
          </Button>
          <Button className="min-h-14" onClick={() => setTold(false)}>
            Back to what comes in
          </Button>
        </div>
      </section>
    );
  }
  return (
    <section aria-label="What comes into each box" className="flex max-w-2xl flex-col gap-3">
      <p className="text-[14.5px]">
        Tell what comes into each box that can be opened: so many cables, in these colours. Where each goes is
        found by readings, dead ones first.
        {boxes.some((one) => one.stubs.length > 0)
          ? ' What is on file stands here for a start: hold it against the box.'
          : ''}
      </p>
      {boxes.map(({ box, stubs: drafts }, at) => {
        const name = placeName(job, box);
        return (
          <fieldset key={box} className="rounded-md border border-line bg-white px-3 pb-2">
            <legend className="px-1 text-[15px] font-bold">{name}</legend>
            <ul className="divide-y divide-line">
              {drafts.map((stub, i) => (
                <StubRow
                  key={i}
                  {...{ name, stub }}
                  number={i + 1}
                  onChange={(next) =>
                    set(
                      at,
                      drafts.map((one, k) => (k === i ? next : one)),
                    )
                  }
                  onTakeOut={() =>
                    set(
                      at,
                      drafts.filter((_, k) => k !== i),
                    )
                  }
                />
              ))}
            </ul>
            <div className="flex flex-wrap gap-2">
              <Button
                className="min-h-11"
                aria-label={`Another cable or wire in ${name}`}
                onClick={() => set(at, [...drafts, drafts.at(-1) ?? (USUAL['two']?.stub as DraftStub)])}
              >
                Another cable or wire
              </Button>
              <Button
                look="bare"
                aria-label={`${name} stays shut`}
                onClick={() => setBoxes(boxes.filter((one) => one.box !== box))}
              >
                This box stays shut
              </Button>
            </div>
          </fieldset>
        );
      })}
      {others.length > 0 ? (
        <label className="block max-w-sm">
          <span className="mb-1 block text-[13px] font-semibold">Another box</span>
          <Select
            value=""
            onChange={(event) => {
              const box = findBox(job, event.target.value)?.id;
              if (box) setBoxes([...boxes, { box, stubs: [] }]);
            }}
          >
            <option value="">Pick one</option>
            {others.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </label>
      ) : null}
      {stubs === null && boxes.some((one) => one.stubs.length > 0) ? (
        <p role="alert" className="text-[13px] font-semibold text-violation">
          A cable has no wire, or more than three of one colour: tell it otherwise.
        </p>
      ) : null}
      <Button
        look="main"
        className="min-h-14 self-start"
        disabled={stubs === null}
        onClick={() => setTold(true)}
      >
        That is what comes in
      </Button>
    </section>
  );
};
