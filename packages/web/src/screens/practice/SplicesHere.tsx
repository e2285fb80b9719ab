import {
  articlesOf,
  splicesIn,
  terminalKey,
  type ArticleId,
  type BoxId,
  type Job,
  type Wiring,
  type WiringEdit,
} from '@amber/core';
import { Select } from '../../parts/ui.js';

/** What holds each splice of a box together, and tails from it to a screw. */
export const SplicesHere = ({
  job,
  wiring,
  box,
  onTell,
}: {
  job: Job;
  wiring: Wiring;
  box: BoxId;
  onTell: (edit: WiringEdit, label: string) => void;
}) => {
  const splices = splicesIn(job, wiring, box);
  const connectors = articlesOf(job.stock, 'connector');
  if (splices.length === 0)
    return (
      <p className="mt-3 text-[13.5px] text-quiet">
        Nothing is spliced here yet. Say of a wire with which other it is joined; then its connector is chosen
        here.
      </p>
    );
  return (
    <ul aria-label="Splices" className="mt-3 flex flex-col gap-3">
      {splices.map(({ joint, words, colour, screws }) => (
        <li key={joint.id} className="rounded-md border border-line p-2.5">
          <p className="text-[13.5px] font-semibold break-words first-letter:uppercase">{words}</p>
          <Select
            aria-label={`Connector of ${words}`}
            className="mt-1"
            value={joint.connectors[0]?.article ?? ''}
            onChange={(event) => {
              const article = event.target.value as ArticleId | '';
              const members = joint.members.map((_, i) => i);
              onTell(
                {
                  ...{ do: 'connectors', joint: joint.id },
                  connectors: article === '' ? [] : [{ article, members, jumperEnds: 0 }],
                },
                'connector',
              );
            }}
          >
            <option value="">no connector</option>
            {connectors.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
          {screws.length === 0 ? null : (
            <Select
              aria-label={`Tail from ${words}`}
              className="mt-1"
              value=""
              onChange={(event) => {
                const to = screws.find(({ terminal }) => terminalKey(terminal) === event.target.value);
                if (to) onTell({ do: 'tail', from: joint.id, to: to.terminal, colour }, 'tail');
              }}
            >
              <option value="">a tail to …</option>
              {screws.map(({ terminal, words: screw }) => (
                <option key={terminalKey(terminal)} value={terminalKey(terminal)}>
                  the {screw}
                </option>
              ))}
            </Select>
          )}
        </li>
      ))}
    </ul>
  );
};
