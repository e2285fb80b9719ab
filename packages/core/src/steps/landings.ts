import { findBox, findSlot } from '../model/lookup.js';
import { isDeviceThere } from '../model/there.js';
import { articleOf, type DeviceArticle, type DeviceTerminal } from '../model/articles.js';
import type { BoxId } from '../model/ids.js';
import { isJumper } from '../model/inBox.js';
import { screwWord } from '../words/screws.js';
import type { Job } from '../model/job.js';
import { articlesAt, type Device, type Landing, type Terminal, type Wiring } from '../model/wiring.js';
import { listed } from '../words/lists.js';
import type { Compiled } from '../circuit/compile.js';
import { evaluate, type State } from '../circuit/evaluate.js';
import { bondOf, yokeGrounds } from '../circuit/grounding.js';
import { conductorKey, pigtailKey } from '../circuit/keys.js';
import { colourWord, deviceWord, endWord, terminalWord } from '../words/wires.js';
import type { DraftStep } from './step.js';

/** Key of the wire of a landing. */
export const keyOf = (wire: Landing['wire']): string =>
  'end' in wire ? conductorKey(wire.end.cable, wire.end.colour) : pigtailKey(wire.pigtail);

/** Leads differ from one maker to the next more than screws do: the device in hand is read before any of them is spliced. */
const leadSteps = (box: BoxId, device: Device, article: DeviceArticle, name: string): DraftStep[] => {
  const leads = article.terminals.filter(({ face }) => face.kind === 'lead');
  if (leads.length === 0) return [];
  const said = leads.map(({ face, use }) => `${face.colour} for ${use}`);
  return [
    {
      id: `${box}/leads/${device.id}`,
      rests: [device.article, leads],
      phase: 'prepare',
      text: `Read the leads of the ${name} against its own sheet: here they are ${listed(said)}. Where the one in hand differs, go by its sheet.`,
      why: 'The colours of leads are the maker’s. A lead that nothing uses is capped.',
      section: '110.3(B)',
      caution: null,
      shows: null,
    },
  ];
};

/** The landings of one device, its ground first where the job has it so. */
export const deviceSteps = (job: Job, wiring: Wiring, compiled: Compiled, box: BoxId): DraftStep[] => {
  const allUp = evaluate(compiled, {});
  return wiring.devices
    .filter((device) => device.box === box)
    .flatMap((device): DraftStep[] => {
      const article = articleOf(job.stock, 'device', device.article);
      const name = deviceWord(job, wiring, device.id);
      const hooked =
        job.preferences.deviceLanding === 'hook'
          ? 'Close each hook clockwise.'
          : 'Push each wire under its clamp to the strip gauge.';
      const useOf = (terminal: string) => article.terminals.find((one) => one.name === terminal)?.use;
      const landed = wiring.landings
        .filter(({ terminal }) => 'device' in terminal && terminal.device === device.id)
        .map((landing) => ({
          ...landing,
          use: ('device' in landing.terminal && useOf(landing.terminal.name)) || ('ground' as const),
        }));
      const landings = landed.map(({ wire, terminal }) => [wire, terminal]);
      const groundFirst = job.preferences.firstOnDevice === 'ground' ? -1 : 1;
      const inOrder = [...landed].sort(
        (a, b) => groundFirst * (Number(a.use === 'ground') - Number(b.use === 'ground')),
      );
      const steps = inOrder.map(({ wire, terminal, use }): DraftStep => {
        const what =
          'end' in wire
            ? endWord(job, wiring, wire.end)
            : use === 'ground'
              ? 'ground tail'
              : pieceWord(wiring, wire.pigtail);
        const screw = terminalWord(job, wiring, terminal);
        const fellow = pairedWith(article, terminal);
        // A tail may be on a new device before the device meets the box; it is spliced then.
        const before =
          'pigtail' in wire &&
          job.preferences.tailsFirst === 'device' &&
          !isDeviceThere(job, device.slot, device.article);
        return {
          id: `${box}/land/${device.id}/${'name' in terminal ? terminal.name : ''}`,
          rests: [device.article, wire, terminal],
          phase: before ? 'prepare' : 'devices',
          text: `${name[0]?.toUpperCase() ?? ''}${name.slice(1)}${before ? ', before it meets the box' : ''}: the ${what} to the ${screw}.`,
          why: fellow
            ? `${WHY_ON[use]} With this screw goes the ${screwWord(fellow)}; which of the two takes which wire is free, and so is which pair is for the line.`
            : isPlain(article) && (use === 'line' || use === 'load')
              ? `${ONE_WIRE} Its two ${article.terminals.find((one) => one.use === use)?.face.colour ?? 'brass'} screws are alike: either takes either wire${loadIsOnTop(job, article) ? '; by your habit the load is on the upper one' : ''}.`
              : use === 'traveler' && isOnWithAllUp(job, allUp, device.slot)
                ? `${WHY_ON[use]} By your habit each traveler is on the same side at every switch, so that the light is on with all handles up.`
                : WHY_ON[use],
          section: use === 'ground' ? '404.9(B), 250.146' : '110.14(A), (D)',
          caution: null,
          shows: keyOf(wire),
        };
      });
      const tape =
        job.preferences.deviceTape === 'wrapped' ? 'Wrap its screws with one or two turns of tape. ' : '';
      const alike =
        job.preferences.switchUp === 'alike' && (article.letter === 'S3' || article.letter === 'S4')
          ? ' The same way up as the others of its group.'
          : '';
      const ears =
        findBox(job, box)?.work === 'old'
          ? ' Break the ears off its strap where the box has ears of its own.'
          : '';
      const torque: DraftStep = {
        id: `${box}/torque/${device.id}`,
        rests: [device.article, landings],
        phase: 'devices',
        text: `${hooked} Tighten every screw of the ${name} to the torque marked on it.`,
        why: 'A loose screw heats; one turned too far breaks the wire.',
        section: '110.14(D)',
        caution: null,
        shows: null,
      };
      return [
        ...leadSteps(box, device, article, name),
        ...steps,
        ...(landed.length > 0 ? [torque] : []),
        {
          id: `${box}/fit/${device.id}`,
          rests: [device.article, landings],
          phase: 'close',
          text: `${washersOff(job, wiring, device, article)}${tape}Fold the wires, bare ground clear of the hot screws, and fix the ${name} level.${alike}${ears}`,
          why: 'A bare ground that touches a hot screw trips the breaker when the circuit is switched on.',
          section: null,
          caution: null,
          shows: null,
        },
      ];
    });
};

/** Is the light of its group on with every handle up, where the job wants travelers to be landed so? */
const isOnWithAllUp = (job: Job, { luminaires }: State, slot: Device['slot']): boolean => {
  const group = findSlot(job, slot)?.group;
  const mine = new Set<string>(job.luminaires.filter((one) => one.group === group).map(({ id }) => id));
  const lights = luminaires.filter(({ id }) => mine.has(id));
  return (
    job.preferences.travelers === 'sameSide' &&
    lights.length > 0 &&
    lights.every(({ light }) => light === 'lit')
  );
};

/** Where the screws that hold a yoke ground it, nothing lies between it and the box. */
const washersOff = (job: Job, wiring: Wiring, { box }: Device, article: DeviceArticle): string => {
  const bond = bondOf(job.stock, articlesAt(wiring, box));
  return job.preferences.boxBonding !== 'pigtails' && yokeGrounds(article, bond)
    ? 'Take the paper washers off its screws: metal on metal grounds its yoke. '
    : '';
};

type Use = DeviceTerminal['use'];

/** Does the habit of the job set the load on the upper of two like screws, and does it sit there? */
const loadIsOnTop = (job: Job, { terminals }: DeviceArticle): boolean => {
  const heightOf = (asked: Use) => terminals.find(({ use }) => use === asked)?.face.height ?? 0;
  return job.preferences.singlePoleLanding === 'loadOnTop' && heightOf('load') < heightOf('line');
};

/** A switch of two screws that nothing tells apart: neither is marked for line or load, and it has no lead. */
const isPlain = ({ terminals, bridged }: DeviceArticle): boolean => {
  const screws = terminals.filter(({ use }) => use !== 'ground');
  const [one, other] = screws;
  return (
    screws.length === 2 &&
    bridged.length === 0 &&
    one?.face.kind === 'screw' &&
    other?.face.kind === 'screw' &&
    one.face.colour === other.face.colour &&
    one.face.marked === null &&
    other.face.marked === null
  );
};

/** The other screw of the pair of a four-way: devices differ in which these are. */
const pairedWith = ({ terminals }: DeviceArticle, terminal: Terminal): DeviceTerminal | undefined => {
  const use = terminals.find(({ name }) => name === terminal.name)?.use;
  if (use !== 'in' && use !== 'out') return undefined;
  return terminals.find((one) => one.use === use && one.name !== terminal.name);
};

const ONE_WIRE = 'One wire under one screw holds; a second under it works loose.';

/** Why a wire goes on a screw, by what the screw is for. */
const WHY_ON: Record<Use, string> = {
  common:
    'The common takes the one wire that is not a traveler: the feed at one end, the switch leg at the other.',
  traveler:
    'Both travelers go to the next switch; either screw of the pair will do, so long as the common is right.',
  in: 'Both wires of the cable from the line side go on one pair. One of each cable on a pair works only in some positions.',
  out: 'Both wires of the cable to the load side go on the other pair.',
  neutral: 'The device itself needs the return.',
  ground: 'The yoke and the plate screws can be touched.',
  line: ONE_WIRE,
  load: ONE_WIRE,
  hot: ONE_WIRE,
};

/** "black tail", or "red 12 AWG jumper" for a piece of wire between two screws. */
export const pieceWord = (wiring: Wiring, pigtail: string): string => {
  for (const joint of wiring.joints)
    for (const member of joint.members)
      if ('pigtail' in member && member.pigtail.id === pigtail) {
        const { colour, awg } = member.pigtail;
        return isJumper(joint) ? `${colourWord(colour)} ${awg} AWG jumper` : `${colourWord(colour)} tail`;
      }
  return 'loose tail';
};
