import {
  articleOf,
  compile,
  conductorKey,
  createCableCurrents,
  conductorsOf,
  endKey,
  evaluate,
  everyPosition,
  fillOf,
  inspect,
  jointKey,
  jobSchema,
  netCurrent,
  placeOfEnd,
  planJob,
  proveGroup,
  solveCurrents,
  takeOff,
  terminalKey,
  createTracer,
  truthTable,
  ungroundedParts,
  PANEL,
  EDITIONS,
  type Awg,
  type End,
  type Job,
  type Positions,
  type Wiring,
} from '../../src/index.js';
import { isGroundColour } from '../../src/model/colours.js';
import { takes } from '../../src/materials/connectors.js';
import { countedFill } from './fillTwin.js';
import { countedTakeOff } from './takeOffTwin.js';

const positionsOf = (job: Job, wiring: Wiring): Positions[] =>
  everyPosition(
    compile(wiring, job),
    wiring.devices.map((device) => device.id),
  );

/** All positions of small jobs; first, last and some between of large ones. */
const somePositions = (job: Job, wiring: Wiring, most: number): Positions[] => {
  const all = positionsOf(job, wiring);
  const step = Math.max(1, Math.ceil(all.length / most));
  return [...all.filter((_, i) => i % step === 0), ...all.slice(-1)];
};

const joined = (wiring: Wiring): End[] =>
  wiring.joints.flatMap((joint) => joint.members.flatMap((m) => ('end' in m ? [m.end] : [])));
const landed = (wiring: Wiring): End[] =>
  wiring.landings.flatMap(({ wire }) => ('end' in wire ? [wire.end] : []));
const pigtailsOf = (wiring: Wiring) =>
  wiring.joints.flatMap((joint) =>
    joint.members.flatMap((m) => ('pigtail' in m ? [{ ...m.pigtail, box: joint.box }] : [])),
  );

/** What is true of every wiring that the core plans, whatever the job. */
export const LAWS: Record<string, (job: Job, wiring: Wiring) => void> = {
  'every handle changes the loads of its group from every position': (job, wiring) => {
    const compiled = compile(wiring, job);
    for (const group of job.groups) {
      const proof = proveGroup(job, wiring, compiled, group);
      expect([group.id, proof.working]).toEqual([group.id, proof.positions]);
      const switches = job.slots.filter((slot) => slot.group === group.id && slot.role !== 'receptacle');
      expect(proof.positions).toBe(2 ** switches.length);
    }
  },

  'nothing is shorted, no shell is live, and neutrals meet neither each other nor a ground': (
    job,
    wiring,
  ) => {
    const compiled = compile(wiring, job);
    for (const positions of somePositions(job, wiring, 64)) {
      const { shorts, neutralsGrounded, neutralsJoined, luminaires } = evaluate(compiled, positions);
      expect({ shorts, neutralsGrounded, neutralsJoined }).toEqual({
        shorts: [],
        neutralsGrounded: [],
        neutralsJoined: [],
      });
      expect(luminaires.filter((one) => one.shellLive || one.light === 'dim')).toEqual([]);
    }
  },

  'all up is on, as the same traveler keeps its screw along the chain': (job, wiring) => {
    const { luminaires } = evaluate(compile(wiring, job), {});
    expect(luminaires.filter((one) => one.light !== 'lit')).toEqual([]);
  },

  'the currents of each cable sum to zero, and nodal analysis agrees on every conductor and luminaire': (
    job,
    wiring,
  ) => {
    const compiled = compile(wiring, job);
    const currentsIn = createCableCurrents(wiring, job);
    for (const positions of somePositions(job, wiring, 4)) {
      const state = evaluate(compiled, positions);
      const slow = solveCurrents(wiring, job, positions);
      const wrong = [...currentsIn(positions, state)].flatMap(([cable, currents]) => [
        ...(netCurrent(currents) < 1e-9 ? [] : [{ cable, net: netCurrent(currents) }]),
        ...[...currents].flatMap(([colour, amperes]) => {
          // The cable from the panel carries the leak of the analysis itself.
          const theirs = slow.amperes.get(cable)?.get(colour) ?? NaN;
          const agree = Math.abs(theirs - amperes) < 0.01 * Math.max(0.5, Math.abs(amperes));
          const sound = agree && (!isGroundColour(colour) || amperes === 0);
          return sound ? [] : [{ cable, colour, amperes, theirs }];
        }),
      ]);
      expect(wrong).toEqual([]);
      for (const { id, volts } of state.luminaires)
        expect(Math.abs((slow.luminaireVolts.get(id) ?? 0) - volts)).toBeLessThan(1);
    }
  },

  'a conductor is followed to all that is one with it, and back to its panel terminal': (job, wiring) => {
    const compiled = compile(wiring, job);
    const [positions = {}] = somePositions(job, wiring, 1);
    const { nets } = evaluate(compiled, positions);
    const follow = createTracer(wiring, job, positions);
    for (const cable of wiring.cables) {
      const [colour = 'black'] = articleOf(job.stock, 'cable', cable.article).insulated;
      const key = conductorKey(cable.id, colour);
      const followed = follow(key);
      if (!followed) throw new Error(`${key} is not there`);
      const net = compiled.netOf(key) ?? -1;
      expect(new Set(followed.net.map((piece) => compiled.netOf(piece.key)))).toEqual(new Set([net]));
      const splices = wiring.joints.filter((one) => compiled.netOf(jointKey(one.id)) === net);
      expect(followed.net.filter((piece) => piece.kind === 'splice')).toHaveLength(splices.length);
      const reaches = { live: 'hot', neutral: 'neutral', ground: 'ground' } as Record<string, string>;
      expect(followed.source?.name).toBe(reaches[nets[net] ?? '']);
      if (followed.source) expect(followed.source.path[0]?.key).toBe(key);
    }
  },

  'every metal part reaches ground where every cable brings one': (job, wiring) => {
    const bare = wiring.cables.every((cable) =>
      ['bare', 'green'].includes(articleOf(job.stock, 'cable', cable.article).ground),
    );
    const inUse = new Set<string>(wiring.cables.flatMap(({ from, to }) => [from, to]));
    if (bare && job.boxes.every((box) => inUse.has(box.id)))
      expect(ungroundedParts(wiring, job, compile(wiring, job))).toEqual([]);
  },

  'the truth table turns from lit to dark with each handle moved': (job, wiring) => {
    const compiled = compile(wiring, job);
    for (const group of job.groups.filter((one) => one.control === 'switched')) {
      const { rows } = truthTable(job, wiring, compiled, group);
      rows.forEach((row, i) => {
        const before = rows[i - 1];
        const on = i % 2 === 0;
        expect(new Set([...row.lights.map((light) => light === 'lit'), ...row.receptaclesLive])).toEqual(
          new Set([on]),
        );
        const moved = row.positions.filter((at, k) => before && at !== before.positions[k]);
        expect(moved).toHaveLength(before ? 1 : 0);
      });
    }
  },

  'every conductor end in a box is used once; only a ground left long is joined and landed': (
    job,
    wiring,
  ) => {
    const expected = wiring.cables.flatMap((cable) =>
      (['from', 'to'] as const).flatMap((side) =>
        placeOfEnd(cable, side) === PANEL
          ? []
          : conductorsOf(articleOf(job.stock, 'cable', cable.article))
              .filter((colour) => colour !== 'raceway')
              .map((colour) => endKey({ cable: cable.id, side, colour })),
      ),
    );
    const inBoxes = (ends: End[]) =>
      ends.filter((end) => {
        const cable = wiring.cables.find((one) => one.id === end.cable);
        return cable && placeOfEnd(cable, end.side) !== PANEL && end.colour !== 'raceway';
      });
    const [inJoints, onScrews] = [inBoxes(joined(wiring)), inBoxes(landed(wiring))];
    const keys = new Set(inJoints.map(endKey));
    expect(keys.size).toBe(inJoints.length);
    const both = onScrews.filter((end) => keys.has(endKey(end)));
    expect(both.filter((end) => end.colour !== 'bare' && end.colour !== 'green')).toEqual([]);
    if (job.preferences.groundTail === 'pigtail' && job.preferences.boxGround === 'tail')
      expect(both).toEqual([]);
    const used = [...keys, ...onScrews.map(endKey).filter((key) => !keys.has(key))];
    expect(used.sort()).toEqual(expected.sort());
  },

  'each screw holds one wire, and no landing is without a wire': (_job, wiring) => {
    // How what lies there is landed in the panel nobody has seen; it is only known to be live.
    const lying = new Set(wiring.cables.filter((cable) => cable.existing).map((cable) => cable.id));
    const screws = wiring.landings
      .filter(({ wire, terminal }) => !('circuit' in terminal && 'end' in wire && lying.has(wire.end.cable)))
      .map(({ terminal }) => terminalKey(terminal))
      .filter((key) => !key.startsWith('box'));
    expect(new Set(screws).size).toBe(screws.length);
    const pigtails = new Set<string>(pigtailsOf(wiring).map((one) => one.id));
    expect(pigtails.size).toBe(pigtailsOf(wiring).length);
    const used = wiring.landings.flatMap(({ wire }) => ('pigtail' in wire ? [wire.pigtail] : []));
    expect(used.filter((id) => !pigtails.has(id))).toEqual([]);
    // One that is left for a later luminaire ends in the air; no other does.
    const loose = [...pigtails].filter((id) => !used.some((one) => one === id));
    expect(loose.filter((id) => !id.endsWith('>left'))).toEqual([]);
  },

  'wires are joined and landed in the box where they are': (job, wiring) => {
    const placeOf = (end: End) => {
      const cable = wiring.cables.find((one) => one.id === end.cable);
      return cable ? placeOfEnd(cable, end.side) : null;
    };
    const pigtailBox = new Map<string, string>(pigtailsOf(wiring).map((one) => [one.id, one.box]));
    for (const joint of wiring.joints)
      for (const member of joint.members) {
        if ('end' in member) expect(placeOf(member.end)).toBe(joint.box);
        if ('lead' in member) {
          const { lead } = member;
          const of =
            'device' in lead
              ? wiring.devices.find((one) => one.id === lead.device)
              : job.luminaires.find((one) => one.id === lead.luminaire);
          expect(of?.box).toBe(joint.box);
        }
      }
    for (const { wire, terminal } of wiring.landings) {
      const at = 'end' in wire ? placeOf(wire.end) : pigtailBox.get(wire.pigtail);
      const where =
        'device' in terminal
          ? wiring.devices.find((one) => one.id === terminal.device)?.box
          : 'luminaire' in terminal
            ? job.luminaires.find((one) => one.id === terminal.luminaire)?.box
            : 'box' in terminal
              ? terminal.box
              : PANEL;
      expect(at).toBe(where);
    }
  },

  'every terminal that wants a wire has one': (job, wiring) => {
    const reached = new Set([
      ...wiring.landings.map(({ terminal }) => terminalKey(terminal)),
      ...wiring.joints.flatMap((joint) =>
        joint.members.flatMap((m) => ('lead' in m ? [terminalKey(m.lead)] : [])),
      ),
    ]);
    const grounded = new Set(
      wiring.cables
        .filter((cable) => ['bare', 'green'].includes(articleOf(job.stock, 'cable', cable.article).ground))
        .flatMap((cable) => [cable.from, cable.to]),
    );
    for (const device of wiring.devices) {
      const { terminals, bridged } = articleOf(job.stock, 'device', device.article);
      const twins = new Set(bridged.map(([, twin]) => twin));
      for (const { name, use } of terminals) {
        if (twins.has(name)) continue;
        // Where old work has no ground, or screws to a bonded box serve, the green screw may stay empty.
        if (use === 'ground' && (job.preferences.boxBonding !== 'pigtails' || !grounded.has(device.box)))
          continue;
        expect(reached).toContain(terminalKey({ device: device.id, name }));
      }
    }
    for (const { id, metal, partOf, box } of job.luminaires) {
      expect(reached).toContain(terminalKey({ luminaire: id, name: 'hot' }));
      if (partOf !== null) continue;
      expect(reached).toContain(terminalKey({ luminaire: id, name: 'neutral' }));
      if (metal && grounded.has(box))
        expect(reached).toContain(terminalKey({ luminaire: id, name: 'ground' }));
    }
  },

  'grounds of all circuits in a box are one net': (job, wiring) => {
    const compiled = compile(wiring, job);
    for (const box of job.boxes) {
      const nets = wiring.cables.flatMap((cable) => {
        const { ground } = articleOf(job.stock, 'cable', cable.article);
        const here = cable.from === box.id || cable.to === box.id;
        return here && (ground === 'bare' || ground === 'green')
          ? [compiled.netOf(`conductor|${cable.id}|${ground}`)]
          : [];
      });
      expect(new Set(nets).size).toBeLessThanOrEqual(1);
    }
  },

  'each connector is within its range, jumpers counted': (job, wiring) => {
    const awg = new Map(
      wiring.cables.map((cable) => [cable.id, articleOf(job.stock, 'cable', cable.article).awg]),
    );
    const leads = new Map(job.luminaires.map((one) => [one.id, one.leadAwg]));
    for (const joint of wiring.joints) {
      const sizes = joint.members.map((member): Awg => {
        if ('end' in member) return awg.get(member.end.cable) ?? 14;
        if ('pigtail' in member) return member.pigtail.awg;
        const { lead } = member;
        if ('luminaire' in lead) return leads.get(lead.luminaire) ?? 18;
        const device = wiring.devices.find((one) => one.id === lead.device);
        const article = articleOf(job.stock, 'device', device?.article ?? '');
        const face = article.terminals.find((one) => one.name === lead.name)?.face;
        return face?.kind === 'lead' ? face.awg : 18;
      });
      const [only] = joint.members;
      // A jumper between two screws is joined to nothing.
      if (joint.members.length === 1 && only && 'pigtail' in only) continue;
      const thickest = Math.min(...sizes) as Awg;
      const held = joint.connectors.flatMap((one) => one.members).sort((a, b) => a - b);
      expect(held).toEqual(sizes.map((_, i) => i));
      joint.connectors.forEach((one, i) => {
        const ends = joint.connectors.length === 1 ? 0 : i === 0 || i === joint.connectors.length - 1 ? 1 : 2;
        expect(one.jumperEnds).toBe(ends);
        const inIt = [
          ...one.members.map((k) => sizes[k] ?? 14),
          ...Array<Awg>(one.jumperEnds).fill(thickest),
        ];
        expect(takes(articleOf(job.stock, 'connector', one.article), inIt)).toBe(true);
      });
    }
  },

  'box fill equals a count written differently, by every edition': (job, wiring) => {
    for (const box of job.boxes)
      for (const edition of EDITIONS)
        expect([box.id, fillOf(job, wiring, box.id, edition).needed]).toEqual([
          box.id,
          countedFill(job, wiring, box.id, edition),
        ]);
  },

  'the take-off equals a count written differently, piece by piece and in all': (job, wiring) => {
    const { lines, total } = takeOff(job, wiring);
    const twin = countedTakeOff(job, wiring);
    const quantities = new Map(lines.map((line) => [line.article ?? line.name, line.quantity]));
    expect([...quantities].sort()).toEqual([...twin.quantities].sort());
    expect(total).toBe(twin.total);
  },

  'no rule is violated but one that the job itself breaks': (job, wiring) => {
    const pinned = job.choices.some((choice) => choice.neutralAt);
    const chosen = job.boxes.some((box) => box.article !== null);
    const groundless = wiring.cables.some(
      (cable) => !['bare', 'green'].includes(articleOf(job.stock, 'cable', cable.article).ground),
    );
    const may = [
      ...(pinned ? ['neutral-at-switch'] : []),
      ...(job.circuits.some(({ breaker }) => breaker === 10) ? ['ten-ampere-circuit'] : []),
      ...(chosen ? ['box-volume', 'luminaire-support', 'fan-support'] : []),
      ...(groundless
        ? ['yoke-grounded', 'luminaire-grounded', 'metal-box-bonded', 'ungrounded-extension']
        : []),
    ];
    const violated = inspect(job, wiring).filter((one) => one.severity === 'violation');
    expect(violated.filter(({ rule }) => !may.includes(rule))).toEqual([]);
  },

  'a planned job is a valid job file, and planning it again changes nothing': (job) => {
    const read = jobSchema.safeParse(JSON.parse(JSON.stringify(job)));
    expect(read.error?.issues).toBeUndefined();
    expect(planJob(job).job).toEqual(job);
  },
};
