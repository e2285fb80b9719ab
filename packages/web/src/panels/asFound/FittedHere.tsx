import {
  articleOf,
  articlesOf,
  deviceIdOf,
  devicesByGang,
  deviceWord,
  findBox,
  findGroup,
  luminairesInBox,
  slotsInBox,
  type ArticleId,
  type Box,
  type BoxId,
  type Job,
  type Wiring,
  type WiringEdit,
} from '@amber/core';
import { BoxSelect } from '../../parts/BoxSelect.js';
import { Button, Field, Select } from '../../parts/ui.js';
import { DEVICE_WORDS } from '../../parts/words.js';

const NOTHING = '';

/** What stands in a box: which box it is, its devices by their very face, its luminaires. */
export const FittedHere = ({
  job,
  wiring,
  box,
  onTell,
  onBox,
}: {
  job: Job;
  wiring: Wiring;
  box: BoxId;
  onTell: (edit: WiringEdit, label: string) => void;
  onBox: (how: Partial<Box>, edit: WiringEdit, label: string) => void;
}) => {
  const it = findBox(job, box);
  if (!it) return null;
  const devices = devicesByGang(job, wiring, box);
  const articles = articlesOf(job.stock, 'device');
  const fixtures = articlesOf(job.stock, 'luminaire');
  const bare = slotsInBox(job, box).filter(({ id }) => devices.every(({ slot }) => slot !== id));
  return (
    <div className="flex flex-col gap-3">
      <BoxSelect
        job={job}
        box={box}
        article={it.article}
        withDevices={devices.length + bare.length > 0}
        onChange={(article) =>
          onBox(
            { article },
            { do: 'boxIs', box, articles: article === null ? [] : [article, ...it.sections] },
            `box at ${it.name}`,
          )
        }
      />
      {devices.map((device) => {
        const word = deviceWord(job, wiring, device.id);
        return (
          <div key={device.id} className="flex items-end gap-2">
            <div className="min-w-0 flex-1">
              <Field label={`The ${word}`}>
                <Select
                  aria-label={`Which device the ${word} is`}
                  value={device.article}
                  onChange={(event) =>
                    onTell(
                      { do: 'fit', device: { ...device, article: event.target.value as ArticleId } },
                      `device at ${it.name}`,
                    )
                  }
                >
                  {articles.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.name}
                    </option>
                  ))}
                </Select>
              </Field>
            </div>
            <Button
              look="bare"
              aria-label={`No ${word}`}
              onClick={() => onTell({ do: 'remove', device: device.id }, `no ${word} at ${it.name}`)}
            >
              Not there
            </Button>
          </div>
        );
      })}
      {bare.map((slot) => {
        const group = findGroup(job, slot.group)?.name ?? '';
        return (
          <Field key={slot.id} label={`${DEVICE_WORDS[slot.role]} of ${group}`}>
            <Select
              aria-label={`Device of ${group} that is there`}
              value={NOTHING}
              onChange={(event) => {
                const article = event.target.value as ArticleId;
                onTell(
                  { do: 'fit', device: { id: deviceIdOf(slot.id), box, slot: slot.id, article } },
                  `device at ${it.name}`,
                );
              }}
            >
              <option value={NOTHING}>none there, or nobody has looked</option>
              {articles.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Select>
          </Field>
        );
      })}
      {luminairesInBox(job, box)
        .filter(({ unit, partOf }) => unit !== 'onward' && partOf === null)
        .map((one) => {
          const fitted = wiring.luminaires.find(({ id }) => id === one.id)?.article;
          return (
            <Field key={one.id} label={one.name}>
              <Select
                aria-label={`What ${one.name} is`}
                value={fitted ?? NOTHING}
                onChange={(event) =>
                  onTell(
                    {
                      ...{ do: 'luminaireIs', luminaire: one.id },
                      article: (event.target.value || null) as ArticleId | null,
                    },
                    `what ${one.name} is`,
                  )
                }
              >
                <option value={NOTHING}>as the layout has it</option>
                {fixtures.map(({ id }) => (
                  <option key={id} value={id}>
                    {articleOf(job.stock, 'luminaire', id).name}
                  </option>
                ))}
              </Select>
            </Field>
          );
        })}
    </div>
  );
};
