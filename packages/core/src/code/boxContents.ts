import { articleOf } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import type { Edition, Job } from '../model/job.js';
import type { Awg } from '../model/units.js';
import { placeOfEnd, type Wiring } from '../model/wiring.js';
import { boxFill, type BoxContents, type BoxFill } from './boxFill.js';

/** Counts what the wiring holds in a box. */
export const contentsOf = (job: Job, wiring: Wiring, box: BoxId): BoxContents => {
  const conductors: Awg[] = [];
  const grounds: Awg[] = [];
  const awgOfCable = new Map<string, Awg>();
  for (const cable of wiring.cables) {
    const article = articleOf(job.stock, 'cable', cable.article);
    awgOfCable.set(cable.id, article.awg);
    for (const side of ['from', 'to'] as const) {
      if (placeOfEnd(cable, side) !== box) continue;
      conductors.push(...article.insulated.map(() => article.awg));
      grounds.push(article.awg);
    }
  }
  const awgOfPigtail = new Map(
    wiring.joints.flatMap((joint) =>
      joint.members.flatMap((member) =>
        'pigtail' in member ? [[member.pigtail.id, member.pigtail.awg] as const] : [],
      ),
    ),
  );
  const yokes = wiring.devices
    .filter((device) => device.box === box)
    .map((device) => {
      const sizes = wiring.landings.flatMap(({ wire, terminal }) => {
        if (!('device' in terminal) || terminal.device !== device.id) return [];
        const awg = 'end' in wire ? awgOfCable.get(wire.end.cable) : awgOfPigtail.get(wire.pigtail);
        return awg ? [awg] : [];
      });
      const thickest = sizes.reduce<Awg>((thick, awg) => (awg < thick ? awg : thick), sizes[0] ?? 14);
      return { gangs: articleOf(job.stock, 'device', device.article).gangs, awg: thickest };
    });
  const fixtureWires = wiring.joints
    .filter((joint) => joint.box === box)
    .reduce((sum, joint) => sum + joint.members.filter((member) => 'lead' in member).length, 0);
  const chosen = wiring.boxes[box];
  const internalClamps = chosen ? articleOf(job.stock, 'box', chosen).internalClamps : false;
  return { conductors, grounds, yokes, internalClamps, fixtureWires };
};

/** Box fill of one box of the wiring by an edition; the job's own where none is named. */
export const fillOf = (job: Job, wiring: Wiring, box: BoxId, edition: Edition = job.edition): BoxFill => {
  const chosen = wiring.boxes[box] ?? job.boxes.find((one) => one.id === box)?.article;
  const available = chosen ? articleOf(job.stock, 'box', chosen).volume : 0;
  return boxFill(available, contentsOf(job, wiring, box), edition);
};
