import { articleSchema, type Article, type Inside } from '@amber/core';
import { useState } from 'react';
import { Field } from '../../parts/ui.js';
import { WordSelect } from '../../parts/WordSelect.js';
import { Later } from './Later.js';

type Raw = Record<string, unknown>;

/** A field of an article: a number (as it is kept, divided by `per`), a yes or no, or one of a few words. `at` is a path in it. */
type FieldOf = { at: string; label: string } & (
  | { kind: 'number'; per?: number; empty?: string }
  | { kind: 'yes' }
  | { kind: 'word'; words: Record<string, string> }
);

/** What of each kind of article may be told otherwise; what it is to the circuit (its wires, terminals, positions) is not among it. */
const FIELDS: Record<Article['kind'], FieldOf[]> = {
  cable: [{ at: 'coilFeet', label: 'Feet on a coil', kind: 'number' }],
  box: [
    { at: 'volume', label: 'Volume, in³', kind: 'number', per: 10_000 },
    { at: 'gangs', label: 'Gangs (0 for none)', kind: 'number' },
    {
      at: 'work',
      label: 'For',
      kind: 'word',
      words: { new: 'new work, on framing', old: 'old work, in finish' },
    },
    { at: 'metal', label: 'Steel', kind: 'yes' },
    { at: 'internalClamps', label: 'Clamps inside', kind: 'yes' },
    { at: 'groundingStrap', label: 'A strap grounds the yoke', kind: 'yes' },
    { at: 'supports', label: 'Listed to hold, pounds', kind: 'number' },
    { at: 'fanRated', label: 'Listed for a ceiling fan', kind: 'yes' },
  ],
  device: [
    { at: 'amperes', label: 'Amperes', kind: 'number' },
    { at: 'gangs', label: 'Gangs', kind: 'number' },
    { at: 'tamperResistant', label: 'Slots shuttered', kind: 'yes' },
    { at: 'selfGrounding', label: 'Yoke listed to ground itself', kind: 'yes' },
  ],
  connector: [
    { at: 'conductors.0', label: 'Least conductors', kind: 'number' },
    { at: 'conductors.1', label: 'Most conductors', kind: 'number' },
    { at: 'circularMils', label: 'Most copper, circular mils', kind: 'number', empty: 'not told' },
    { at: 'groundsOnly', label: 'For grounds alone', kind: 'yes' },
  ],
  luminaire: [],
  sundry: [{ at: 'gangs', label: 'Gangs', kind: 'number', empty: 'none' }],
};

const INSIDE = ['width', 'height', 'depth'] as const;

const valueAt = (article: Article, at: string): unknown =>
  at.split('.').reduce<unknown>((inner, key) => (inner as Raw | null)?.[key], article);

const withValue = (inner: unknown, [key = '', ...rest]: string[], value: unknown): unknown => {
  const next = rest.length === 0 ? value : withValue((inner as Raw)[key], rest, value);
  return Array.isArray(inner)
    ? (inner as unknown[]).map((one, i) => (String(i) === key ? next : one))
    : { ...(inner as Raw), [key]: next };
};

/** What a tape reads inside a box: all three, or none; two of them say nothing yet. */
const InsideFields = ({
  name,
  inside,
  onTake,
}: {
  name: string;
  inside: Inside | null;
  onTake: (inside: Inside | null) => void;
}) => {
  const [told, setTold] = useState<Partial<Inside>>(inside ?? {});
  return INSIDE.map((side) => (
    <div key={side} className="w-32">
      <Field label={`Inside, ${side}, in`}>
        <Later
          label={`Inside, ${side}: ${name}`}
          value={told[side] ?? null}
          empty="not measured"
          onTake={(inches) => {
            const next = { ...told, [side]: inches ?? undefined };
            setTold(next);
            const { width, height, depth } = next;
            if (width !== undefined && height !== undefined && depth !== undefined)
              onTake({ width, height, depth });
            else if (inside !== null) onTake(null);
          }}
        />
      </Field>
    </div>
  ));
};

/** The fields of one article by its kind; what cannot be is told, and not taken. */
export const ArticleFields = ({
  article,
  onChange,
}: {
  article: Article;
  onChange: (words: string, changed: Article) => void;
}) => {
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (label: string, at: string, value: unknown) => {
    const made = articleSchema.safeParse(withValue(article, at.split('.'), value));
    const [issue] = made.error?.issues ?? [];
    setWrong(issue ? `${label}: ${issue.message}` : null);
    if (made.success) onChange(`${label.toLowerCase()} of ${article.name}`, made.data);
  };
  return (
    <>
      <div className="mt-2 flex flex-wrap items-end gap-x-4 gap-y-2">
        {FIELDS[article.kind].map((field) => {
          const { at, label } = field;
          const value = valueAt(article, at);
          if (field.kind === 'yes')
            return (
              <label key={at} className="flex min-h-10 items-center gap-2 text-[13.5px]">
                <input
                  type="checkbox"
                  className="size-5 accent-ink"
                  checked={value === true}
                  onChange={() => set(label, at, value !== true)}
                />
                {label}
              </label>
            );
          if (field.kind === 'word')
            return (
              <div key={at} className="w-52">
                <Field label={label}>
                  <WordSelect
                    words={field.words}
                    value={String(value)}
                    onPick={(word) => word !== null && set(label, at, word)}
                  />
                </Field>
              </div>
            );
          const per = field.per ?? 1;
          return (
            <div key={at} className="w-40">
              <Field label={label}>
                <Later
                  label={`${label}: ${article.name}`}
                  value={typeof value === 'number' ? value / per : null}
                  empty={field.empty ?? null}
                  onTake={(number) => set(label, at, number === null ? null : Math.round(number * per))}
                />
              </Field>
            </div>
          );
        })}
        {article.kind === 'box' ? (
          <InsideFields
            key={JSON.stringify(article.inside)}
            name={article.name}
            inside={article.inside}
            onTake={(inside) => set('Inside', 'inside', inside)}
          />
        ) : null}
      </div>
      {wrong === null ? null : (
        <p role="alert" className="mt-1 text-[13px] text-violation">
          {wrong} Nothing was changed.
        </p>
      )}
    </>
  );
};
