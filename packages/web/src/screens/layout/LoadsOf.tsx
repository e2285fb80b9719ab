import { useState } from 'react';
import {
  addLoad,
  controlBy,
  withoutLoad,
  type Box,
  type GroupId,
  type Job,
  type LoadKind,
  type Luminaire,
  type LuminaireId,
} from '@amber/core';
import { HungFields, LOAD_WORDS } from '../../panels/change/HungFields.js';
import { fresh } from '../../parts/fresh.js';
import { NumberInput } from '../../parts/inputs.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { useEdit } from '../../store/review.js';
import { GroupOptions } from './GroupOptions.js';

/** The luminaires of a box: which group controls each, and its load. */
export const LuminairesOf = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const set = (one: Luminaire, change: Partial<Luminaire>, what: string) =>
    edit(
      {
        ...job,
        luminaires: job.luminaires.map((other) => (other.id === one.id ? { ...other, ...change } : other)),
      },
      `${what} of ${one.name}`,
    );
  const here = job.luminaires.filter((one) => one.box === box.id);
  return here.map((one) => (
    <fieldset key={one.id} className="flex flex-col gap-2 rounded-md border border-line p-3">
      <legend className="px-1 text-[13px] font-semibold">
        {one.unit === 'onward' ? 'Onward feed' : 'Luminaire'}
      </legend>
      <Field label="Controlled by">
        <Select
          value={one.group}
          onChange={(event) =>
            edit(controlBy(job, one.id, event.target.value as GroupId), `control of ${one.name}`)
          }
        >
          <GroupOptions job={job} />
        </Select>
      </Field>
      {one.unit === 'onward' ? (
        <Field label="Load, VA">
          <NumberInput
            value={one.va}
            least={0.1}
            most={5000}
            unit="VA"
            onChange={(va) => set(one, { va }, 'load')}
          />
        </Field>
      ) : (
        <HungFields hung={one} onChange={(hung) => set(one, hung, 'what hangs')} />
      )}
      {here.length > 1 ? (
        <Button onClick={() => edit(withoutLoad(job, one.id), `take ${one.name} out of ${box.name}`)}>
          Take {one.name} out
        </Button>
      ) : null}
    </fieldset>
  ));
};

/** What another load of a box may be: beside what hangs there, or the light under a fan. */
export const AddLoad = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const [kind, setKind] = useState<LoadKind | 'lightUnder'>('light');
  const here = job.luminaires.filter((one) => one.box === box.id && one.unit !== 'onward');
  const fan = here.find((one) => one.unit === 'fan' || one.unit === 'ventFan');
  const [first] = here;
  if (!first) return null;
  const words = {
    ...LOAD_WORDS,
    ...(fan ? { lightUnder: `Light under ${fan.name}, on its neutral and ground` } : {}),
  };
  const add = () => {
    const under = kind === 'lightUnder' && fan !== undefined;
    const asked = under || kind === 'lightUnder' ? 'light' : kind;
    edit(
      addLoad(job, {
        ...{ id: fresh<LuminaireId>('luminaire'), box: box.id, group: first.group, kind: asked },
        ...{ name: `${LOAD_WORDS[asked].split(',')[0] ?? ''} at ${box.name}`, partOf: under ? fan.id : null },
      }),
      `another load at ${box.name}`,
    );
  };
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-[13px] font-semibold">Another load in this box</legend>
      <div className="grid grid-cols-[1fr_auto] gap-2">
        <WordSelect
          aria-label="Kind of the other load"
          words={words}
          value={kind in words ? kind : 'light'}
          onPick={(picked) => picked && setKind(picked)}
        />
        <Button onClick={add}>Add</Button>
      </div>
    </fieldset>
  );
};
