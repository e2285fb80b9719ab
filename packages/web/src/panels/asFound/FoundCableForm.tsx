import { useState } from 'react';
import {
  foundName,
  isBeyond,
  numbered,
  withFoundCable,
  type ArticleId,
  type CableArticle,
  type FoundCable,
  type Hue,
  type Job,
} from '@amber/core';
import { HuePicks } from '../../parts/HuePicks.js';
import { Button, Field, SeverityMark } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';

const GROUNDS: Record<CableArticle['ground'], string> = {
  bare: 'a bare one',
  green: 'a green one',
  raceway: 'the metal of the raceway',
  none: 'none',
};
const METALS: Record<CableArticle['metal'], string> = {
  copper: 'copper',
  aluminium: 'aluminium',
  copperClad: 'copper-clad aluminium',
  unknown: 'I do not recognise it',
};
const SHEATHS: Record<CableArticle['sheath'], string> = {
  nonmetallic: 'a plastic sheath',
  armored: 'metal armor',
  raceway: 'single wires in a raceway',
  cloth: 'cloth',
  knobAndTube: 'knobs and tubes',
  unknown: 'I do not recognise it',
};
const SIZES = { 14: '14 AWG', 12: '12 AWG', 10: '10 AWG' } as const;

/** A cable as it was found, conductor by conductor, in the colours that it has. */
export const FoundCableForm = ({
  job,
  onMade,
  onLeave,
}: {
  job: Job;
  onMade: (job: Job, article: ArticleId) => void;
  onLeave: () => void;
}) => {
  const [hues, setHues] = useState<Hue[]>(['black', 'white']);
  const [rest, setRest] = useState<Omit<FoundCable, 'insulated'>>({
    ...{ awg: 14, ground: 'none', metal: 'copper', sheath: 'nonmetallic' },
  });
  const insulated = numbered(hues);
  const found = insulated && hues.length > 0 ? { ...rest, insulated } : null;
  const clash = found && found.ground === 'green' && hues.includes('green');
  return (
    <fieldset className="flex flex-col gap-2 rounded-md border-2 border-ink p-3">
      <legend className="px-1 text-[13px] font-semibold">As it was found</legend>
      <p className="text-[13px] font-semibold">Insulated wires</p>
      <HuePicks hues={hues} onChange={setHues} />
      <div className="grid grid-cols-2 gap-2">
        <Field label="Size">
          <WordSelect
            words={SIZES}
            value={String(rest.awg) as unknown as keyof typeof SIZES & string}
            onPick={(awg) => setRest({ ...rest, awg: Number(awg) as FoundCable['awg'] })}
          />
        </Field>
        <Field label="Ground">
          <WordSelect
            words={GROUNDS}
            value={rest.ground}
            onPick={(ground) => ground && setRest({ ...rest, ground })}
          />
        </Field>
        <Field label="Made of">
          <WordSelect
            words={METALS}
            value={rest.metal}
            onPick={(metal) => metal && setRest({ ...rest, metal })}
          />
        </Field>
        <Field label="Held in">
          <WordSelect
            words={SHEATHS}
            value={rest.sheath}
            onPick={(sheath) => sheath && setRest({ ...rest, sheath })}
          />
        </Field>
      </div>
      {isBeyond(rest) ? (
        <p role="alert" className="flex gap-2 text-[13px] font-semibold">
          <SeverityMark severity="violation" />
          Stop here: this is beyond this program. It can be put down as found; nothing is planned through it.
          Have a licensed electrician see it.
        </p>
      ) : null}
      {insulated === null ? (
        <p role="alert" className="text-[13px] font-semibold text-violation">
          At most three wires of one colour. Take one away, or put a second cable down.
        </p>
      ) : clash ? (
        <p role="alert" className="text-[13px] font-semibold text-violation">
          A green wire is either insulated or the ground. Take one of the two away.
        </p>
      ) : null}
      <p className="text-[13px] text-quiet">{found && !clash ? foundName(found) : ''}</p>
      <div className="flex gap-2">
        <Button
          look="main"
          disabled={!found || clash === true}
          onClick={() => {
            if (!found) return;
            const made = withFoundCable(job, found);
            onMade(made.job, made.article);
          }}
        >
          So it is
        </Button>
        <Button onClick={onLeave}>Leave it</Button>
      </div>
    </fieldset>
  );
};
