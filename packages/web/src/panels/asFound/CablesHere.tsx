import { useState } from 'react';
import {
  articleOf,
  articlesOf,
  cablesIn,
  circuitName,
  findBox,
  PANEL,
  placeOfEnd,
  powerOf,
  tellPower,
  UNKNOWN_PLACE,
  type ArticleId,
  type BoxId,
  type Cable,
  type CableId,
  type CircuitId,
  type Job,
  type Place,
  type Wiring,
  type WiringDoc,
  type WiringEdit,
} from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { KindOptions, PlaceOptions, placeWord } from './choices.js';
import { FoundCableForm } from './FoundCableForm.js';

type Told = (edits: WiringEdit | readonly WiringEdit[], label: string, from?: Job) => boolean;

const OTHER = 'other';

const SIZES = {
  '': 'read from: not told',
  print: 'read from its print',
  gauge: 'measured with a gauge',
  jacket: 'by its jacket: a hint',
};

/** One cable of a box: what it is, where its other end goes, whose power is on it. */
const CableRow = ({
  job,
  document,
  box,
  cable,
  side,
  onTell,
  onSize,
}: {
  job: Job;
  document: WiringDoc;
  box: BoxId;
  cable: Cable;
  side: 'from' | 'to';
  onTell: Told;
  onSize: (cable: CableId, how: WiringDoc['sizesFrom'][CableId] | null) => void;
}) => {
  const [making, setMaking] = useState(false);
  const { wiring } = document;
  const far = side === 'from' ? 'to' : 'from';
  const other = placeOfEnd(cable, far);
  const name = articleOf(job.stock, 'cable', cable.article).name;
  const said = `${name} to ${placeWord(job, other)}`;
  const power = powerOf(wiring, cable.id);
  return (
    <li className="flex flex-col gap-2 border-b border-line py-2">
      <div className="grid grid-cols-2 gap-2">
        <Select
          aria-label={`Kind of the ${said}`}
          value={cable.article}
          onChange={(event) =>
            event.target.value === OTHER
              ? setMaking(true)
              : onTell(
                  { do: 'cableIs', cable: cable.id, article: event.target.value as ArticleId },
                  `kind of the ${said}`,
                )
          }
        >
          <KindOptions job={job} />
          <option value={OTHER}>something else …</option>
        </Select>
        <Select
          aria-label={`The ${said} goes to`}
          value={other}
          onChange={(event) =>
            onTell(
              { do: 'lead', cable: cable.id, side: far, to: event.target.value as Place },
              `where the ${said} goes`,
            )
          }
        >
          <PlaceOptions job={job} not={box} />
        </Select>
      </div>
      {other === PANEL ? (
        <Select
          aria-label={`Power on the ${said}`}
          value={power ?? ''}
          onChange={(event) =>
            onTell(
              tellPower(job, wiring, cable.id, (event.target.value || null) as CircuitId | null),
              `power on the ${said}`,
            )
          }
        >
          <option value="">which breaker? Not looked at: take it for live</option>
          {job.circuits.map((one) => (
            <option key={one.id} value={one.id}>
              on the breaker of {one.name}
            </option>
          ))}
          {power !== undefined && !job.circuits.some(({ id }) => id === power) ? (
            <option value={power}>on {circuitName(job, power)}</option>
          ) : null}
        </Select>
      ) : null}
      <div className="flex flex-wrap items-center gap-2">
        <Select
          aria-label={`Size of the ${said}`}
          className="w-auto!"
          value={document.sizesFrom[cable.id] ?? ''}
          onChange={(event) =>
            onSize(cable.id, (event.target.value || null) as WiringDoc['sizesFrom'][CableId] | null)
          }
        >
          {Object.entries(SIZES).map(([how, words]) => (
            <option key={how} value={how}>
              {words}
            </option>
          ))}
        </Select>
        <Button
          look="bare"
          aria-label={`The ${said} is not there`}
          onClick={() => onTell({ do: 'takeOut', cable: cable.id }, `no ${said}`)}
        >
          Not there
        </Button>
      </div>
      {making ? (
        <FoundCableForm
          job={job}
          onMade={(made, article) => {
            setMaking(false);
            onTell({ do: 'cableIs', cable: cable.id, article }, `kind of the ${said}`, made);
          }}
          onLeave={() => setMaking(false)}
        />
      ) : null}
    </li>
  );
};

/** The cables of a box, and one more. */
export const CablesHere = ({
  job,
  document,
  box,
  onTell,
  onSize,
}: {
  job: Job;
  document: WiringDoc;
  box: BoxId;
  onTell: Told;
  onSize: (cable: CableId, how: WiringDoc['sizesFrom'][CableId] | null) => void;
}) => {
  const { wiring }: { wiring: Wiring } = document;
  const [first] = articlesOf(job.stock, 'cable');
  const [to, setTo] = useState<Place>(UNKNOWN_PLACE);
  const [article, setArticle] = useState<ArticleId | undefined>(first?.id);
  const [making, setMaking] = useState(false);
  const bring = (kind: ArticleId | undefined, from: Job = job) => {
    if (kind === undefined) return;
    const cable: Cable = {
      ...{ id: fresh<CableId>('found'), article: kind, existing: true, via: [] },
      ...{ length: null, lengthSource: 'unknown' },
      from: to === PANEL ? PANEL : box,
      to: to === PANEL ? box : to,
    };
    const name = articleOf(from.stock, 'cable', kind).name;
    onTell({ do: 'bringIn', cable }, `${name} found at ${findBox(job, box)?.name ?? box}`, from);
  };
  return (
    <div className="flex flex-col gap-2">
      <ul>
        {cablesIn(wiring, box).map(({ cable, side }) => (
          <CableRow key={`${cable.id} ${side}`} {...{ job, document, box, cable, side, onTell, onSize }} />
        ))}
      </ul>
      <fieldset className="flex flex-col gap-2 rounded-md border border-line p-3">
        <legend className="px-1 text-[13px] font-semibold">One more cable</legend>
        <div className="grid grid-cols-2 gap-2">
          <Field label="What it is">
            <Select
              value={article}
              onChange={(event) =>
                event.target.value === OTHER ? setMaking(true) : setArticle(event.target.value as ArticleId)
              }
            >
              <KindOptions job={job} />
              <option value={OTHER}>something else …</option>
            </Select>
          </Field>
          <Field label="Where it goes">
            <Select value={to} onChange={(event) => setTo(event.target.value as Place)}>
              <PlaceOptions job={job} not={box} />
            </Select>
          </Field>
        </div>
        {making ? (
          <FoundCableForm
            job={job}
            onMade={(made, kind) => {
              setMaking(false);
              bring(kind, made);
            }}
            onLeave={() => setMaking(false)}
          />
        ) : (
          <Button onClick={() => bring(article)}>Bring it in</Button>
        )}
      </fieldset>
    </div>
  );
};
