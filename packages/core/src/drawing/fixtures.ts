import { devicesByGang, findGroup, findSlot, luminairesInBox } from '../model/lookup.js';
import { articleOf, companionsIn, type DeviceArticle } from '../model/articles.js';
import type { FacePart } from '../model/face.js';
import type { BoxId } from '../model/ids.js';
import type { Job, Luminaire } from '../model/job.js';
import { terminalKey, type Wiring } from '../model/wiring.js';
import { lightLead, luminaireFace, type LuminaireFace } from '../model/luminaireFace.js';
import type { FixtureItem } from './geometry.js';

/** A device or a luminaire, before it has a place. */
export interface Fixture {
  id: string;
  item: FixtureItem;
  /** What it controls, or what it is. */
  title: string;
  pins: { key: string; name: string; part: FacePart }[];
}

const formOf = (job: Job, wiring: Wiring, one: Luminaire) => {
  const fitted = wiring.luminaires.find(({ id }) => id === one.id);
  if (fitted) return articleOf(job.stock, 'luminaire', fitted.article).form;
  if (one.unit === 'onward') return one.unit;
  if (one.unit === 'fan' || one.unit === 'ventFan') return 'fan';
  return one.terminals === 'screws' ? 'lampholder' : 'luminaire';
};

const kindOf = ({ role }: DeviceArticle): string | null => (role === 'receptacle' ? 'receptacle' : null);

const devicesIn = (job: Job, wiring: Wiring, box: BoxId): Fixture[] =>
  devicesByGang(job, wiring, box).map(({ id, slot, article: articleId }): Fixture => {
    const article = articleOf(job.stock, 'device', articleId);
    const group = findGroup(job, findSlot(job, slot)?.group)?.name;
    const plain = article.letter ?? kindOf(article);
    const letter = companionsIn(job.stock).has(articleId) ? `${plain} companion` : plain;
    return {
      id,
      item: { kind: 'device', device: id, article },
      title: [letter, group].filter((one) => one !== undefined && one !== null).join(' · '),
      pins: article.terminals.map(({ name, face }) => ({
        ...{ key: terminalKey({ device: id, name }), name, part: face },
      })),
    };
  });

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
      const face = luminaireFace(job, wiring, one);
      const lights = here.filter((other) => carrier(other) === one);
      const pin = (luminaire: Luminaire, name: keyof LuminaireFace, part: FacePart) => ({
        ...{ key: terminalKey({ luminaire: luminaire.id, name }), name, part },
      });
      const grounded = one.metal || used.has(terminalKey({ luminaire: one.id, name: 'ground' }));
      const names: (keyof LuminaireFace)[] = grounded ? ['hot', 'neutral', 'ground'] : ['hot', 'neutral'];
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
