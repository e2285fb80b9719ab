import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  articleOf,
  beginExisting,
  cablesIn,
  existingDocument,
  findCircuit,
  findGroup,
  ofId,
  sayWhatItIs,
  UNKNOWN_PLACE,
  placeOfEnd,
  type Box,
  type CircuitId,
  type GroupId,
  type Job,
  type LuminaireId,
  type SlotId,
} from '@amber/core';
import { fresh } from '../../parts/fresh.js';
import { benchPath } from '../../parts/paths.js';
import { PickField } from '../../parts/PickField.js';
import { Button, Field } from '../../parts/ui.js';
import { placeName } from '../../parts/words.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { useEdit } from '../../store/review.js';

const WHAT_WORDS = {
  receptacle: 'a receptacle',
  switch: 'a switch',
  luminaire: 'a luminaire',
} as const;
type What = keyof typeof WHAT_WORDS;

const SURE_WORDS = {
  assumed: 'what is usual is drawn; nobody has looked',
  partlySeen: 'looked at in part',
  seen: 'seen',
} as const;

/** What an existing box is that nothing is told of yet; left alone it is one of splices. */
const WhatItIs = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const [what, setWhat] = useState<What | null>(null);
  const [circuit, setCircuit] = useState<CircuitId | null>(job.circuits[0]?.id ?? null);
  const switched = job.groups.filter(({ control }) => control === 'switched');
  const [group, setGroup] = useState<GroupId | null>(switched[0]?.id ?? null);
  const say = () => {
    const slot = fresh<SlotId>('slot');
    const made =
      what === 'receptacle' && circuit
        ? sayWhatItIs(job, box.id, { what, circuit, slot, group: fresh<GroupId>('group') })
        : what === 'switch' && group
          ? sayWhatItIs(job, box.id, { what, group, slot })
          : what === 'luminaire' && group
            ? sayWhatItIs(job, box.id, { what, group, luminaire: fresh<LuminaireId>('luminaire') })
            : job;
    edit(made, `what ${box.name} is`);
  };
  return (
    <>
      <Field label="What is in it">
        <WordSelect words={WHAT_WORDS} value={what} none="splices only, or nobody knows" onPick={setWhat} />
      </Field>
      {what === 'receptacle' ? (
        <PickField label="Always hot on" items={job.circuits} value={circuit} onPick={setCircuit} />
      ) : null}
      {what === 'switch' || what === 'luminaire' ? (
        <PickField
          label="Of the group"
          items={switched.map(({ id, name, circuit: of }) => {
            const on = findCircuit(job, of)?.name;
            return { id, name: on === undefined || on === name ? name : `${name}, ${on}` };
          })}
          value={group}
          onPick={setGroup}
        />
      ) : null}
      {what === null ? null : (
        <Button disabled={what === 'receptacle' ? circuit === null : group === null} onClick={say}>
          It is there
        </Button>
      )}
    </>
  );
};

/** What is told of an existing box: its cables and how sure that is; and the way to where it is told wire by wire. */
export const WhatIsThere = ({ job, box }: { job: Job; box: Box }) => {
  const edit = useEdit();
  const navigate = useNavigate();
  const document = existingDocument(job);
  const sure = ofId(document?.certainty, box.id);
  const isEmpty = [...job.slots, ...job.luminaires].every((one) => one.box !== box.id);
  const held = [...job.slots, ...job.luminaires].find((one) => one.box === box.id);
  const circuit = findGroup(job, held?.group)?.circuit ?? null;
  const cables = document && sure ? cablesIn(document.wiring, box.id) : [];
  const begun = beginExisting(job);
  const path = benchPath(job.id, circuit, existingDocument(begun)?.id ?? null);
  const begin = () => {
    edit(begun, 'tell what is there');
    void navigate(path);
  };
  const look =
    'inline-flex min-h-11 items-center justify-center rounded-md border border-line bg-white px-3 text-center font-semibold hover:bg-rail';
  return (
    <section aria-label="What is there" className="flex flex-col gap-2">
      {isEmpty ? <WhatItIs key={box.id} job={job} box={box} /> : null}
      {sure ? (
        <>
          <h3 className="text-[13px] font-semibold">
            Cables that come in <span className="font-normal text-quiet">({SURE_WORDS[sure]})</span>
          </h3>
          <ul className="text-[14px]">
            {cables.map(({ cable, side }) => {
              const other = placeOfEnd(cable, side === 'from' ? 'to' : 'from');
              return (
                <li key={`${cable.id} ${side}`} className="border-b border-line py-1.5 break-words">
                  {articleOf(job.stock, 'cable', cable.article).name}
                  {other === UNKNOWN_PLACE ? ': nobody knows where it leads' : ` to ${placeName(job, other)}`}
                </li>
              );
            })}
          </ul>
          <Link to={path} className={look}>
            Tell its wires on the bench, as it is
          </Link>
        </>
      ) : document ? (
        <Link to={path} className={look}>
          Tell what is in it on the bench, as it is
        </Link>
      ) : (
        <Button onClick={begin}>Tell what is in it on the bench, as it is</Button>
      )}
    </section>
  );
};
