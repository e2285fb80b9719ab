import {
  endKey,
  terminalKey,
  type End,
  type Job,
  type Joint,
  type Terminal,
  type Wiring,
} from '../../src/index.js';
import { chooseConnectors } from '../../src/materials/connectors.js';
import { put, mark, wireKey } from '../../src/edits/wiring/wires.js';
import { sizesIn } from '../../src/code/rules/splices.js';
import type { Member } from '../../src/model/wiring.js';
import type { LooseWire } from '../../src/edits/wiring/edit.js';

/**
 * A short hand for what somebody did to a circuit that was made up as planned. Boxes count from 1, cables are lettered in the order of the
 * plan; `1b.rd` is the red of cable b in box 1, `2.common` a screw of the device there, `1/2.common` of its second one, `3.hot` a lead of the
 * luminaire, `2.box` the screw of a metal box; `~2.ground` the tail on that screw.
 * - `x<>y`: the two have changed places. `x>y`: x is where y is, or on that screw. `x>alone`, `x>loose`.
 * - `x++y`: the two splices are one. `twist x`: its splice is only twisted. `x=black`, `x=none`: marked, or its mark gone.
 */
type Named = { wire: LooseWire } | { screw: Terminal };

const COLOURS: Record<string, End['colour']> = { bk: 'black', wh: 'white', rd: 'red', g: 'bare' };
const SHORT: [RegExp, string][] = [
  [/^t(\d)$/, 'traveler $1'],
  [/^(in|out)(\d)$/, '$1 $2'],
];

class Bench {
  constructor(
    readonly job: Job,
    public wiring: Wiring,
  ) {}

  #box(number: string) {
    const box = this.job.boxes[Number(number) - 1];
    if (!box) throw new Error(`There is no box ${number}.`);
    return box.id;
  }

  named(words: string): Named {
    const end = /^(\d)([a-z])\.(\w+)$/.exec(words);
    if (end) {
      const [, number = '', letter = '', short = ''] = end;
      const cable = this.wiring.cables['abcdefgh'.indexOf(letter)];
      const colour = COLOURS[short];
      if (!cable || !colour) throw new Error(`There is no wire ${words}.`);
      const side = cable.to === this.#box(number) ? 'to' : 'from';
      if (cable[side] !== this.#box(number)) throw new Error(`${words} is not in that box.`);
      return { wire: { end: { cable: cable.id, side, colour } } };
    }
    const [, tail = '', number = '', gang = '1', said = ''] = /^(~?)(\d)(?:\/(\d))?\.(.+)$/.exec(words) ?? [];
    const box = this.#box(number);
    const name = SHORT.reduce((word, [from, to]) => word.replace(from, to), said);
    const devices = this.wiring.devices.filter((one) => one.box === box);
    const device = devices[Number(gang) - 1];
    const luminaire = this.job.luminaires.find((one) => one.box === box);
    if (!device && luminaire && name !== 'box')
      return {
        wire: { lead: { luminaire: luminaire.id, name } as Extract<Member, { lead: unknown }>['lead'] },
      };
    const screw: Terminal =
      name === 'box' ? { box, name: 'ground' } : { device: device?.id ?? ('none' as never), name };
    if (tail === '') return { screw };
    const landed = this.wiring.landings.find(
      ({ wire, terminal }) => 'pigtail' in wire && terminalKey(terminal) === terminalKey(screw),
    );
    if (!landed || !('pigtail' in landed.wire)) throw new Error(`There is no tail ${words}.`);
    return { wire: { pigtail: landed.wire.pigtail } };
  }

  #wire(words: string): LooseWire {
    const named = this.named(words);
    if (!('wire' in named)) throw new Error(`${words} is no wire.`);
    return named.wire;
  }

  #jointOf(words: string): Joint {
    const key = wireKey(this.#wire(words));
    const found = this.wiring.joints.find(({ members }) => members.some((one) => keyOf(one) === key));
    if (!found) throw new Error(`${words} is in no splice.`);
    return found;
  }

  #exchange(a: string, b: string): void {
    const [x, y] = [this.#wire(a), this.#wire(b)];
    const other = (key: string): LooseWire | null => (key === wireKey(x) ? y : key === wireKey(y) ? x : null);
    this.wiring = {
      ...this.wiring,
      joints: this.wiring.joints.map((joint) => ({
        ...joint,
        members: joint.members.map((member) => (other(keyOf(member)) as Member | null) ?? member),
      })),
      landings: this.wiring.landings.map((one) => {
        const to = other('end' in one.wire ? endKey(one.wire.end) : `tail|${one.wire.pigtail}`);
        if (!to) return one;
        if ('lead' in to) throw new Error(`${a} or ${b} comes with no screw.`);
        return { ...one, wire: 'end' in to ? { end: to.end } : { pigtail: to.pigtail } };
      }),
    };
  }

  #put(words: string, to: string): void {
    const target = to === 'alone' || to === 'loose' ? to : this.named(to);
    const where =
      typeof target === 'string' ? target : 'screw' in target ? { on: target.screw } : { with: target.wire };
    const done = put(this.wiring, { do: 'put', wire: this.#wire(words), to: where }, this.job);
    if (!done.ok) throw new Error(`${words} to ${to}: ${JSON.stringify(done.refusal)}`);
    this.wiring = done.wiring;
  }

  act(words: string): void {
    const [, a = '', verb = '', b = ''] = /^(.+?)(<>|\+\+|>|=)(.+)$/.exec(words) ?? [];
    if (words.startsWith('twist ')) {
      const joint = this.#jointOf(words.slice(6));
      this.#joints((one) => (one === joint ? { ...one, connectors: [] } : one));
    } else if (verb === '<>') this.#exchange(a, b);
    else if (verb === '++') {
      const [one, other] = [this.#jointOf(a), this.#jointOf(b)];
      this.#joints((joint) =>
        joint === other
          ? null
          : joint === one
            ? this.#held({ ...one, members: [...one.members, ...other.members] })
            : joint,
      );
    } else if (verb === '>') this.#put(a, b);
    else if (verb === '=') {
      const wire = this.#wire(a);
      if (!('end' in wire)) throw new Error(`${a} takes no mark.`);
      const done = mark(
        this.wiring,
        { do: 'mark', end: wire.end, colour: b === 'none' ? null : (b as 'black') },
        this.job,
      );
      if (!done.ok) throw new Error(`${words}: ${JSON.stringify(done.refusal)}`);
      this.wiring = done.wiring;
    } else throw new Error(`Nobody can do ${words}.`);
    if (verb === '<>' || verb === '>')
      this.#joints((joint) => {
        const held = joint.connectors.flatMap(({ members }) => members).length;
        return held === joint.members.length ? joint : this.#held(joint);
      });
  }

  #joints(change: (joint: Joint) => Joint | null): void {
    this.wiring = { ...this.wiring, joints: this.wiring.joints.flatMap((one) => change(one) ?? []) };
  }

  /** In a connector that is listed for it. */
  #held(joint: Joint): Joint {
    const sizes = sizesIn(this.job, this.wiring, joint);
    const ground = joint.members.every((one) => 'end' in one && one.end.colour === 'bare');
    return {
      ...joint,
      connectors: chooseConnectors(this.job.stock, this.job.preferences, sizes, ground) ?? [],
    };
  }
}

const keyOf = (member: Member): string =>
  wireKey('pigtail' in member ? { pigtail: member.pigtail.id } : member);

/** What comes of a circuit that is made up as planned, and then this is done to it. */
export const doneTo = (job: Job, planned: Wiring, acts: readonly string[]): Wiring => {
  const bench = new Bench(job, planned);
  for (const words of acts) bench.act(words);
  return bench.wiring;
};
