import { useMemo } from 'react';
import { Check } from 'lucide-react';
import { boxDigest, findBox, liveRecords, ofId, type BoxId, type Job, type WiringDoc } from '@amber/core';
import { when } from '../../parts/format.js';
import { Button } from '../../parts/ui.js';
import { useRecords } from '../../store/useRecords.js';
import { InitialsField, useInitials } from '../../onRecord/Initials.js';
import { Photographs } from '../../onRecord/Photographs.js';

const SURE = {
  untold: 'Nobody has looked into this box, and nothing is assumed of it.',
  assumed: 'Assumed: nobody has looked into this box. It is drawn as is usual.',
  partlySeen: 'Partly seen: what is hatched or marked assumed nobody has looked at.',
  seen: 'Seen: all of it was looked at.',
} as const;

/** How sure a box is, and the way to sign it: initials and the hour are put on record, and hold as long as nothing is told otherwise. */
export const SeenBox = ({
  job,
  document,
  box,
  unseen,
  onSign,
}: {
  job: Job;
  document: WiringDoc;
  box: BoxId;
  /** Wires here that nobody has looked at. */
  unseen: number;
  onSign: (initials: string) => void;
}) => {
  const { records } = useRecords(job.id);
  const { initials, setInitials, keep } = useInitials();
  const mine = useMemo(() => liveRecords(records).filter(({ about }) => about.id === box), [records, box]);
  const last = mine.filter(({ kind, about }) => kind === 'seen' && about.wiring === document.id).at(-1);
  const holds = last?.about.hash === boxDigest(job, document, box);
  const sure = ofId(document.certainty, box) ?? (document.kind === 'existing' ? 'untold' : 'assumed');
  const sign = () => {
    keep();
    onSign(initials.trim());
  };
  return (
    <div className="flex flex-col gap-2">
      <p className={`text-[14px] ${sure === 'seen' ? '' : 'font-semibold text-caution'}`}>{SURE[sure]}</p>
      {last ? (
        <p className="text-[13px]">
          {last.by || 'Somebody'} looked at it {when(last.at)}.
          {holds ? '' : ' It has been told otherwise since: look again.'}
        </p>
      ) : null}
      {unseen > 0 ? (
        <p className="text-[13px]">
          {unseen === 1 ? 'One wire here is' : `${unseen} wires here are`} not looked at. Take{' '}
          {unseen === 1 ? 'it' : 'them'} for live.
        </p>
      ) : null}
      {sure === 'seen' && (last === undefined || holds) ? null : (
        <div className="flex items-end gap-2">
          <InitialsField initials={initials} onChange={setInitials} />
          <Button look="main" className="flex-1" disabled={initials.trim() === ''} onClick={sign}>
            <Check size={17} /> {unseen > 0 ? 'The rest is as drawn' : 'I looked: it is as drawn'}
          </Button>
        </div>
      )}
      <Photographs
        job={job.id}
        about={{ kind: 'box', id: box, wiring: null, revision: null, hash: null }}
        name={findBox(job, box)?.name ?? box}
        photos={mine.filter(({ kind }) => kind === 'photo')}
      />
    </div>
  );
};
