import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import { ArrowDown, ArrowUp, ChevronDown, Trash2 } from 'lucide-react';
import {
  changePlace,
  movePlace,
  PANEL,
  removePlace,
  type CircuitDraft,
  type DraftPlace,
  type Job,
  type Place,
} from '@amber/core';
import { BoxSelect } from '../../parts/BoxSelect.js';
import { AnswerSelect } from '../../parts/AnswerSelect.js';
import { Field, Select } from '../../parts/ui.js';
import { LengthInput, NameInput, NumberInput } from '../../parts/inputs.js';

const BADGE = { switch: 'S', luminaire: 'L', junction: 'J' };

const iconButton = 'grid size-10 shrink-0 place-items-center rounded-md hover:bg-rail disabled:opacity-30';

/** Would taking its cable from `from` close a ring? Then it is not offered. */
const hangsOn = (draft: CircuitDraft, from: Place, place: DraftPlace): boolean => {
  const seen = new Set<string>();
  for (let at: Place | null = from; at !== null && at !== PANEL && !seen.has(at);) {
    if (at === place.box) return true;
    seen.add(at);
    const box: Place = at;
    at = draft.places.find((one) => one.box === box)?.from ?? null;
  }
  return false;
};

/** One place of the run: what stands there, its box, and the cable that reaches it. */
export const PlaceCard = ({
  job,
  draft,
  place,
  index,
  onChange,
}: {
  job: Job;
  draft: CircuitDraft;
  place: DraftPlace;
  index: number;
  onChange: (draft: CircuitDraft, label: string) => void;
}) => {
  const set = (change: Partial<DraftPlace>, what: string) =>
    onChange(changePlace(draft, place.box, change), `${what} of ${place.box}`);
  const sources = draft.places.filter((one) => one.box !== place.box && !hangsOn(draft, one.box, place));
  const fedByExisting = draft.feedAt === place.box;
  return (
    <li className="rounded-lg border border-line bg-white">
      <Disclosure>
        <div className="flex items-center gap-1 pl-2">
          <span className="grid size-7 shrink-0 place-items-center rounded bg-ink text-[13px] font-bold text-sheet">
            {BADGE[place.holds.kind]}
          </span>
          <DisclosureButton className="group flex min-h-11 min-w-0 flex-1 items-center gap-1 px-1.5 text-left">
            <span className="min-w-0 flex-1 truncate font-semibold" title={place.name}>
              {place.name}
            </span>
            <ChevronDown size={16} className="shrink-0 group-data-open:rotate-180" aria-hidden="true" />
          </DisclosureButton>
          <button
            type="button"
            className={iconButton}
            aria-label={`Move ${place.name} up`}
            disabled={index === 0}
            onClick={() => onChange(movePlace(draft, place.box, -1), `move ${place.name}`)}
          >
            <ArrowUp size={17} />
          </button>
          <button
            type="button"
            className={iconButton}
            aria-label={`Move ${place.name} down`}
            disabled={index === draft.places.length - 1}
            onClick={() => onChange(movePlace(draft, place.box, 1), `move ${place.name}`)}
          >
            <ArrowDown size={17} />
          </button>
        </div>
        <DisclosurePanel className="flex flex-col gap-3 border-t border-line p-3">
          <Field label="Name">
            <NameInput value={place.name} onChange={(name) => set({ name }, 'name')} />
          </Field>
          {place.holds.kind === 'luminaire' ? (
            <Field label="Load, VA">
              <NumberInput
                value={place.holds.va}
                least={0.1}
                most={5000}
                unit="VA"
                onChange={(va) => set({ holds: { kind: 'luminaire', va } }, 'load')}
              />
            </Field>
          ) : null}
          <BoxSelect
            job={job}
            box={place.box}
            article={place.article}
            withDevices={place.holds.kind === 'switch'}
            onChange={(article) => set({ article }, 'box')}
          />
          {fedByExisting ? (
            <p className="text-[13px] text-quiet">An existing cable of the circuit feeds this box.</p>
          ) : (
            <>
              <Field label="Cable comes from">
                <Select
                  value={place.from ?? ''}
                  onChange={(event) =>
                    set({ from: (event.target.value || null) as Place | null, length: null }, 'cable')
                  }
                >
                  <option value="">nowhere yet</option>
                  {draft.feedAt === PANEL ? <option value={PANEL}>the panel</option> : null}
                  {sources.map((one) => (
                    <option key={one.box} value={one.box}>
                      {one.name}
                    </option>
                  ))}
                </Select>
              </Field>
              <Field label="Measured length of that cable">
                <LengthInput value={place.length} onChange={(length) => set({ length }, 'length')} />
              </Field>
            </>
          )}
          {place.holds.kind === 'switch' ? (
            <AnswerSelect
              label="Can a cable be added later without opening the finish?"
              hint="One side unfinished, or a raceway: then 404.2(C) asks for no neutral here."
              value={place.accessible}
              onChange={(accessible) => set({ accessible }, 'access')}
            />
          ) : null}
          <button
            type="button"
            className="flex min-h-10 items-center gap-2 self-start font-semibold text-violation"
            onClick={() => onChange(removePlace(draft, place.box), `take out ${place.name}`)}
          >
            <Trash2 size={16} /> Take this place out
          </button>
        </DisclosurePanel>
      </Disclosure>
    </li>
  );
};
