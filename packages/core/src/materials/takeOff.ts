import { isDeviceThere, isEmptied, whileItWaits } from '../model/there.js';
import { slotsInBox } from '../model/lookup.js';
import { articlesAt } from '../model/wiring.js';
import { articleOf, articlesOf, type Article, type SundryArticle } from '../model/articles.js';
import type { ArticleId, BoxId, CableId } from '../model/ids.js';
import { runFactOf, type Box, type Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import type { Joint, Member, Wiring } from '../model/wiring.js';
import { gangsTaken } from './boxContents.js';
import { workedBoxes } from './workedBoxes.js';
import { createSizeOf, jumperOf } from './jumpers.js';
import { cutLength } from './lengths.js';
import { staplesOf } from './staples.js';

export type MaterialKind = Article['kind'] | SundryArticle['use'];

/** One line of what to buy. */
export interface TakeOffLine {
  kind: MaterialKind;
  /** Null where the stock has no such article; then it has no price either. */
  article: ArticleId | null;
  name: string;
  quantity: number;
  unit: 'each' | 'foot';
  /** Ten-thousandths of a dollar for each or by the foot, and in all. */
  price: number;
  total: number;
  /** The boxes and cables it is for, with how much each takes, in the line's unit. */
  uses: { at: BoxId | CableId; quantity: number }[];
}

export interface TakeOff {
  lines: TakeOffLine[];
  /** Ten-thousandths of a dollar for all lines that have a price. */
  total: number;
  /** New cables without a length, which are not in the feet. */
  unmeasured: CableId[];
}

/** Something used at one place, before it is summed into lines. */
interface Use {
  kind: MaterialKind;
  article: Article | null;
  /** Tells lines without an article apart, and names them. */
  name: string;
  at: BoxId | CableId;
  quantity: number;
  unit: 'each' | 'foot';
}

/** A band round a white at one end, and a wrap round a device, in feet of tape. */
const MARK_FEET = 0.25;
const WRAP_FEET = 1;

const each = (article: Article, at: Use['at'], kind: MaterialKind = article.kind): Use => ({
  kind,
  article,
  name: article.name,
  at,
  quantity: 1,
  unit: 'each',
});

/** A sundry of the stock, or a line that says what is missing from it. */
const sundry = (
  job: Job,
  at: Use['at'],
  quantity: number,
  wanted: Pick<SundryArticle, 'use'> & Partial<Pick<SundryArticle, 'gangs' | 'awg' | 'colour'>>,
  name: string,
): Use => {
  const article = articlesOf(job.stock, 'sundry').find(
    (one) =>
      one.use === wanted.use &&
      one.gangs === (wanted.gangs ?? null) &&
      one.awg === (wanted.awg ?? null) &&
      one.colour === (wanted.colour ?? null),
  );
  const unit = wanted.use === 'wire' || wanted.use === 'tape' ? 'foot' : 'each';
  return { kind: wanted.use, article: article ?? null, name: article?.name ?? name, at, quantity, unit };
};

const wire = (job: Job, box: BoxId, awg: Awg, colour: string, inches: number): Use => {
  const hue = (['white', 'red', 'blue', 'bare', 'green'] as const).find((one) => one === colour) ?? 'black';
  return sundry(job, box, inches / 12, { use: 'wire', awg, colour: hue }, `${awg} AWG wire, ${hue}`);
};

/** Tails of a splice, and the jumpers between its chained connectors. */
const wiresOf = (job: Job, wiring: Wiring, joint: Joint, awgOf: (member: Member) => Awg): Use[] => {
  const { tail } = job.preferences;
  const tails = joint.members.flatMap((member) =>
    'pigtail' in member ? [wire(job, joint.box, member.pigtail.awg, member.pigtail.colour, tail)] : [],
  );
  if (joint.members.length === 0 || joint.connectors.length < 2) return tails;
  const { colour, awg } = jumperOf(wiring, joint, awgOf);
  const jumper = () => wire(job, joint.box, awg, colour, tail);
  return [...tails, ...joint.connectors.slice(1).map(jumper)];
};

const boxUses = (job: Job, wiring: Wiring, box: Box): Use[] => {
  const chosen = articlesAt(wiring, box.id).map((id) => articleOf(job.stock, 'box', id));
  const devices = wiring.devices.filter((device) => device.box === box.id);
  const fitted = devices.filter(({ slot, article }) => !isDeviceThere(job, slot, article));
  const { fitted: here, unplanned } = gangsTaken(job, wiring, box.id);
  const taken = here + unplanned;
  const leaving = slotsInBox(job, box.id).filter((slot) => slot.leaves).length;
  // Of a box that nobody has named, as many as stand in it.
  const gangs = chosen.length === 0 ? taken : Math.max(0, ...chosen.map((article) => article.gangs));
  return [
    ...(box.work === 'existing' ? [] : chosen.map((article) => each(article, box.id))),
    ...fitted.map(({ article }) => each(articleOf(job.stock, 'device', article), box.id)),
    ...(fitted.length > 0
      ? [
          sundry(job, box.id, 1, { use: 'plate', gangs }, `${gangs}-gang plate`),
          ...(gangs > taken ? [sundry(job, box.id, gangs - taken, { use: 'blank' }, 'Blank')] : []),
        ]
      : isEmptied(job, wiring, box.id)
        ? [
            sundry(job, box.id, 1, { use: 'plate', gangs: Math.max(1, gangs) }, 'Plate'),
            sundry(job, box.id, Math.max(1, gangs), { use: 'blank' }, 'Blank'),
          ]
        : // A gang whose device comes out beside others that stay.
          leaving > 0
          ? [sundry(job, box.id, leaving, { use: 'blank' }, 'Blank')]
          : []),
    ...(job.preferences.deviceTape === 'wrapped'
      ? fitted.map(() => sundry(job, box.id, WRAP_FEET, { use: 'tape', colour: 'black' }, 'Tape, black'))
      : []),
  ];
};

const cableUses = (job: Job, wiring: Wiring): Use[] =>
  wiring.cables
    .filter((cable) => !cable.existing)
    .flatMap((cable): Use[] => {
      const article = articleOf(job.stock, 'cable', cable.article);
      const cut = cutLength(job, cable);
      const plates = runFactOf(job, cable.from, cable.to)?.closeHoles ?? 0;
      const staples = staplesOf(job, wiring, cable);
      return [
        ...(cut ? [{ ...each(article, cable.id), quantity: cut.cut / 12, unit: 'foot' as const }] : []),
        ...(staples > 0 ? [sundry(job, cable.id, staples, { use: 'staple' }, 'Cable staple')] : []),
        ...(plates > 0 ? [sundry(job, cable.id, plates, { use: 'steelPlate' }, 'Steel plate')] : []),
      ];
    });

const markUses = (job: Job, wiring: Wiring): Use[] =>
  job.preferences.reidentify === 'marker'
    ? []
    : wiring.marks.map(({ end, colour }) =>
        sundry(job, end.cable, MARK_FEET, { use: 'tape', colour }, `Tape, ${colour}`),
      );

/** Sums uses of the same article; wire and tape are bought by the whole foot. */
const linesOf = (uses: readonly Use[]): TakeOffLine[] => {
  const lines = new Map<string, TakeOffLine>();
  for (const { kind, article, name, at, quantity, unit } of uses) {
    const key = article?.id ?? `none: ${name}`;
    const line = lines.get(key) ?? {
      kind,
      article: article?.id ?? null,
      name,
      quantity: 0,
      unit,
      price: article?.price ?? 0,
      total: 0,
      uses: [],
    };
    const before = line.uses.find((use) => use.at === at);
    if (before) before.quantity += quantity;
    else line.uses.push({ at, quantity });
    line.quantity += quantity;
    lines.set(key, line);
  }
  return [...lines.values()].map((line) => {
    const quantity =
      line.kind === 'wire' || line.kind === 'tape' ? Math.ceil(line.quantity - 1e-9) : line.quantity;
    return { ...line, quantity, total: Math.round(quantity * line.price) };
  });
};

const ORDER: MaterialKind[] = [
  'cable',
  'box',
  'device',
  'plate',
  'blank',
  'connector',
  'wire',
  'tape',
  'staple',
  'steelPlate',
];

/**
 * What has to be bought for a wiring, and nothing else: cables by cut length, boxes, devices, plates, connectors, wire
 * for tails and jumpers, tape, staples, steel plates. What is there already is not bought; nothing is made up in a box
 * beyond the plan.
 */
export const takeOff = (asked: Job, wiring: Wiring): TakeOff => {
  const job = whileItWaits(asked);
  const worked = workedBoxes(job, wiring);
  const open = new Set(worked.map((box) => box.id));
  const awgOf = createSizeOf(job, wiring);
  const joints = wiring.joints.filter((joint) => open.has(joint.box));
  const lines = linesOf([
    ...cableUses(job, wiring),
    ...worked.flatMap((box) => boxUses(job, wiring, box)),
    ...joints.flatMap((joint) =>
      joint.connectors.map((one) => each(articleOf(job.stock, 'connector', one.article), joint.box)),
    ),
    ...joints.flatMap((joint) => wiresOf(job, wiring, joint, awgOf)),
    ...markUses(job, wiring),
  ]).sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || a.name.localeCompare(b.name, 'en'));
  return {
    lines,
    total: lines.reduce((sum, line) => sum + line.total, 0),
    unmeasured: wiring.cables.filter((one) => !one.existing && one.length === null).map((one) => one.id),
  };
};
