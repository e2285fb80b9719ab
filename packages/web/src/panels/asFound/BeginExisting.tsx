import { useState } from 'react';
import {
  articleOf,
  articlesOf,
  assumeUsual,
  boxesOfCircuit,
  cablesThere,
  findBox,
  PANEL,
  removeExistingCable,
  UNKNOWN_PLACE,
  type ArticleId,
  type BoxId,
  type Cable,
  type CableId,
  type Circuit,
  type Habit,
  type Job,
  type Place,
} from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import { EditionOfExisting } from './EditionOfExisting.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { useEdit } from '../../store/review.js';
import { BoxOptions, KindOptions, PlaceOptions, placeWord } from './choices.js';

const HABITS: Partial<Record<Habit, string>> = {
  usual: 'as is usual',
  returnOnWhite: 'the return from the switch on the white',
  switchedNeutral: 'hot and neutral switched at the travelers',
};

/** What lies there by the layout, as cables of the wiring. */
const knownCables = (job: Job, circuit: Circuit): Cable[] => {
  const boxes = new Set<string>(boxesOfCircuit(job, circuit.id));
  return cablesThere(job)
    .filter(({ circuit: whose, between }) =>
      whose === null ? between.some((place) => boxes.has(place)) : whose === circuit.id,
    )
    .map(({ id, article, between: [from, to], length, via }) => ({
      ...{ id, article, from, to, length, via, existing: true },
      lengthSource: length === null ? 'unknown' : 'measured',
    }));
};

/** From a few facts, what is usual: which cables lie there, where power comes, when it was built. All of it is assumed until looked at. */
export const BeginExisting = ({ job, circuit }: { job: Job; circuit: Circuit }) => {
  const edit = useEdit();
  const boxes = boxesOfCircuit(job, circuit.id);
  const [there, setThere] = useState<BoxId[]>(() => {
    const existing = boxes.filter((box) => findBox(job, box)?.work === 'existing');
    return existing.length > 0 ? existing : boxes;
  });
  const articles = articlesOf(job.stock, 'cable');
  const [cables, setCables] = useState<Cable[]>(() => knownCables(job, circuit));
  const [habit, setHabit] = useState<Habit>('usual');
  const [from, setFrom] = useState<Place>(PANEL);
  const [to, setTo] = useState<BoxId | ''>(boxes[0] ?? '');
  const [article, setArticle] = useState<ArticleId | undefined>(articles[0]?.id);
  if (boxes.length === 0)
    return (
      <p>
        Nothing of this circuit is on the layout. Put its switches and luminaires there first, as existing.
      </p>
    );
  const add = () => {
    if (!article || to === '' || from === to) return;
    const known = from === UNKNOWN_PLACE ? { from: to, to: UNKNOWN_PLACE } : { from, to };
    const lies = { existing: true, via: [], length: null, lengthSource: 'unknown' as const };
    setCables([...cables, { id: fresh<CableId>('found'), article, ...known, ...lies }]);
  };
  const begin = () => {
    // One that was taken away here does not lie there.
    const left = knownCables(job, circuit)
      .filter(({ id }) => cables.every((one) => one.id !== id))
      .reduce((without, { id }) => removeExistingCable(without, id), job);
    const standing = {
      ...left,
      boxes: left.boxes.map((box) => (there.includes(box.id) ? { ...box, work: 'existing' as const } : box)),
    };
    edit(
      assumeUsual(standing, { circuit: circuit.id, cables, boxes: there, habit }).job,
      `what is there of ${circuit.name}`,
    );
  };
  return (
    <section aria-label="Begin with what is usual" className="m-3 max-w-2xl rounded-lg bg-sheet p-5">
      <h2 className="text-lg font-bold">What is there, of {circuit.name}</h2>
      <p className="mt-1 text-[14px]">
        Tell which cables lie there and which of them brings power. The boxes are then drawn as is usual for
        them, and you correct what you see. Nothing counts as known before somebody has looked.
      </p>
      <fieldset className="mt-3 flex flex-wrap gap-x-4">
        <legend className="text-[13px] font-semibold">Boxes that are there</legend>
        {boxes.map((box) => (
          <label key={box} className="flex min-h-10 cursor-pointer items-center gap-2 text-[14px]">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={there.includes(box)}
              onChange={(event) =>
                setThere(event.target.checked ? [...there, box] : there.filter((one) => one !== box))
              }
            />
            {findBox(job, box)?.name}
          </label>
        ))}
      </fieldset>
      <ul className="mt-3" aria-label="Cables that lie there">
        {cables.map((cable) => (
          <li key={cable.id} className="flex min-h-10 items-center gap-2 border-b border-line text-[14px]">
            <span className="min-w-0 flex-1">
              <strong>{articleOf(job.stock, 'cable', cable.article).name}</strong>,{' '}
              {placeWord(job, cable.from)} to {placeWord(job, cable.to)}
            </span>
            <Button look="bare" onClick={() => setCables(cables.filter((one) => one !== cable))}>
              Take away
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-3 grid grid-cols-1 gap-2 sm:grid-cols-[1fr_1fr_1fr_auto] sm:items-end">
        <Field label="A cable from">
          <Select value={from} onChange={(event) => setFrom(event.target.value as Place)}>
            <PlaceOptions job={job} />
          </Select>
        </Field>
        <Field label="to">
          <Select value={to} onChange={(event) => setTo(event.target.value as BoxId)}>
            <BoxOptions job={job} />
          </Select>
        </Field>
        <Field label="Kind">
          <Select value={article} onChange={(event) => setArticle(event.target.value as ArticleId)}>
            <KindOptions job={job} />
          </Select>
        </Field>
        <Button onClick={add} disabled={from === to}>
          Add
        </Button>
      </div>
      <div className="mt-3 grid grid-cols-1 gap-2 sm:grid-cols-2">
        <EditionOfExisting job={job} label="Built by" />
        <Field label="Wired">
          <WordSelect words={HABITS} value={habit} onPick={(one) => one && setHabit(one)} />
        </Field>
      </div>
      {cables.some(({ from: a, to: b }) => a === PANEL || b === UNKNOWN_PLACE) ? null : (
        <p className="mt-3 text-[13.5px] font-semibold text-caution">
          No cable brings power yet: add the one from the panel, or one from where you do not know. Without it
          every wire is drawn as not looked at.
        </p>
      )}
      <Button look="main" className="mt-4" disabled={there.length === 0} onClick={begin}>
        Draw what is usual
      </Button>
    </section>
  );
};
