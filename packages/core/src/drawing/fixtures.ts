import { findGroup, findSlot, luminairesInBox } from '../model/lookup.js';
import { articleOf, type DeviceArticle } from '../model/articles.js';
import type { FacePart } from '../model/face.js';
import type { BoxId } from '../model/ids.js';
import type { Job, Luminaire } from '../model/job.js';
import { terminalKey, type Wiring } from '../model/wiring.js';
import type { FixtureItem } from './geometry.js';

/** A device or a luminaire, before it has a place. */
export interface Fixture {
  id: string;
  item: FixtureItem;
  /** What it controls, or what it is. */
  title: string;
  pins: { key: string; name: string; part: FacePart }[];
}

type Terminal = 'hot' | 'neutral' | 'ground';
type Face = Record<Terminal, FacePart>;

const spot = (side: FacePart['side'], height: number) => ({ side, height, marked: null });
const lead = (
  colour: 'black' | 'white' | 'bare' | 'green',
  side: FacePart['side'],
  height: number,
): FacePart => ({
  ...{ kind: 'lead', colour, awg: 18, ...spot(side, height) },
});

/** A luminaire of which nobody has named the article: leads of the usual colours, or the screws of a lampholder. */
const USUAL: Record<Luminaire['terminals'], Face> = {
  leads: {
    hot: lead('black', 'right', 35),
    neutral: lead('white', 'left', 35),
    ground: lead('bare', 'left', 85),
  },
  screws: {
    hot: { kind: 'screw', colour: 'brass', ...spot('right', 40) },
    neutral: { kind: 'screw', colour: 'silver', ...spot('left', 40) },
    ground: { kind: 'screw', colour: 'green', ...spot('left', 85) },
  },
};
const STRAP: FacePart = { kind: 'screw', colour: 'green', ...spot('left', 85) };
/** The lead of a light under a fan; of several, one below the other. */
const lightLead = (nth: number): FacePart => ({
  ...{ kind: 'lead', colour: 'blue', awg: 18, ...spot('right', Math.min(100, 55 + 15 * nth)) },
});

const faceOf = (job: Job, wiring: Wiring, one: Luminaire): Face => {
  const fitted = wiring.luminaires.find(({ id }) => id === one.id);
  const usual = { ...USUAL[one.terminals], ...(one.strap ? { ground: STRAP } : {}) };
  if (!fitted) return usual;
  const { terminals } = articleOf(job.stock, 'luminaire', fitted.article);
  return { hot: terminals.hot, neutral: terminals.neutral, ground: terminals.ground ?? usual.ground };
};

const formOf = (job: Job, wiring: Wiring, one: Luminaire) => {
  const fitted = wiring.luminaires.find(({ id }) => id === one.id);
  if (fitted) return articleOf(job.stock, 'luminaire', fitted.article).form;
  if (one.unit === 'fan' || one.unit === 'onward') return one.unit;
  return one.terminals === 'screws' ? 'lampholder' : 'luminaire';
};

const kindOf = ({ role }: DeviceArticle): string | null => (role === 'receptacle' ? 'receptacle' : null);

const devicesIn = (job: Job, wiring: Wiring, box: BoxId): Fixture[] => {
  const gang = (slot: string | null) => findSlot(job, slot)?.gang ?? Infinity;
  return wiring.devices
    .filter((device) => device.box === box)
    .sort((a, b) => gang(a.slot) - gang(b.slot))
    .map(({ id, slot, article: articleId }): Fixture => {
      const article = articleOf(job.stock, 'device', articleId);
      const group = findGroup(job, findSlot(job, slot)?.group)?.name;
      const letter = article.letter ?? kindOf(article);
      return {
        id,
        item: { kind: 'device', device: id, article },
        title: [letter, group].filter((one) => one !== undefined && one !== null).join(' · '),
        pins: article.terminals.map(({ name, face }) => ({
          ...{ key: terminalKey({ device: id, name }), name, part: face },
        })),
      };
    });
};

/** Keys of the terminals and leads that something is joined to. */
const usedTerminals = (wiring: Wiring): ReadonlySet<string> =>
  new Set([
    ...wiring.landings.map(({ terminal }) => terminalKey(terminal)),
    ...wiring.joints.flatMap(({ members }) =>
      members.flatMap((member) => ('lead' in member ? [terminalKey(member.lead)] : [])),
    ),
  ]);

const luminairesIn = (job: Job, wiring: Wiring, box: BoxId): Fixture[] => {
  const here = luminairesInBox(job, box);
  const used = usedTerminals(wiring);
  // A light that is part of a fan in this box hangs on it: one thing with one lead more.
  const carrier = (one: Luminaire) => here.find(({ id }) => id === one.partOf);
  return here
    .filter((one) => !carrier(one))
    .map((one): Fixture => {
      const face = faceOf(job, wiring, one);
      const lights = here.filter((other) => carrier(other) === one);
      const pin = (luminaire: Luminaire, name: Terminal, part: FacePart) => ({
        ...{ key: terminalKey({ luminaire: luminaire.id, name }), name, part },
      });
      const grounded = one.metal || used.has(terminalKey({ luminaire: one.id, name: 'ground' }));
      const names: Terminal[] = grounded ? ['hot', 'neutral', 'ground'] : ['hot', 'neutral'];
      return {
        id: one.id,
        item: {
          ...{ kind: 'luminaire', luminaire: one.id, form: formOf(job, wiring, one) },
          lights: lights.map(({ id }) => id),
        },
        title: one.name,
        pins: [
          ...names.map((name) => pin(one, name, face[name])),
          ...lights.map((light, i) => pin(light, 'hot', lightLead(i))),
        ],
      };
    });
};

/** What stands or hangs in a box: devices by gang from left to right, then luminaires. */
export const fixturesIn = (job: Job, wiring: Wiring, box: BoxId): Fixture[] => [
  ...devicesIn(job, wiring, box),
  ...luminairesIn(job, wiring, box),
];
