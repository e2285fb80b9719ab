import {
  articleOf,
  compile,
  proveGroup,
  newBox,
  placeOfNode,
  readJob,
  returnPlaceOf,
  ungroundedParts,
  type ArticleId,
  type BoxArticle,
  type BoxId,
  type CableId,
  type GroupId,
  type Job,
  type Landing,
  type TreePlace,
  type Wiring,
} from '../src/index.js';
import { nodeEnding, nodePlaceOf } from '../src/model/ids.js';
import type { CableToMakeUp } from '../src/planning/boxNodes.js';
import { makeUp } from '../src/planning/makeUp.js';
import type { Net } from '../src/planning/nets.js';
import { jobOf, planned, type Shorthand } from './support/jobs.js';

const withBoxes = (job: Job, articles: Record<string, string | null>): Job => ({
  ...job,
  boxes: job.boxes.map((box) =>
    box.id in articles ? { ...box, article: articles[box.id] as ArticleId | null } : box,
  ),
});

const withPreferences = (short: Shorthand, preferences: Partial<Job['preferences']>): Job =>
  jobOf({ ...short, preferences });

const onTerminal = (wiring: Wiring, name: string): Landing | undefined =>
  wiring.landings.find(({ terminal }) => 'device' in terminal && terminal.name === name);

const jointOf = (wiring: Wiring, id: string) => wiring.joints.find((one) => one.id === id);

/** What is in a splice: ends by colour, pigtails as tails, leads. */
const membersOf = (wiring: Wiring, id: string) =>
  jointOf(wiring, id)?.members.map((member) =>
    'end' in member ? member.end.colour : 'pigtail' in member ? `${member.pigtail.colour} tail` : 'lead',
  );

const groundedFaults = ({ job, wiring }: { job: Job; wiring: Wiring }) =>
  ungroundedParts(wiring, job, compile(wiring, job)).map(({ part }) => part);

describe('grounds', () => {
  const run = { runs: ['F-S1', 'S1-L'] };

  test('a metal box and the switch in it each have a tail from the splice', () => {
    const made = planned(withBoxes(jobOf(run), { S1: 'steel-1-18' }));
    expect(membersOf(made.wiring, 'S1/G')).toEqual(['bare', 'bare', 'bare tail', 'bare tail']);
    expect(groundedFaults(made)).toEqual([]);
  });

  test('where screws to a metal box are to serve, only the box has a tail, and the yoke is grounded all the same', () => {
    const made = planned(
      withBoxes(withPreferences(run, { boxBonding: 'selfGroundingYoke' }), { S1: 'steel-1-18' }),
    );
    expect(membersOf(made.wiring, 'S1/G')).toEqual(['bare', 'bare', 'bare tail']);
    expect(onTerminal(made.wiring, 'ground')).toBeUndefined();
    expect(groundedFaults(made)).toEqual([]);
    // Take the tail to the box away: box and yoke have lost their ground together.
    const loose = {
      ...made.wiring,
      landings: made.wiring.landings.filter(({ terminal }) => !('box' in terminal)),
    };
    expect(groundedFaults({ job: made.job, wiring: loose })).toEqual([
      { box: 'S1' },
      { device: 'device:slot:S1' },
    ]);
  });

  test('the same in a nonmetallic box keeps the tail, as there is nothing to screw to', () => {
    const { wiring } = planned(withPreferences(run, { boxBonding: 'selfGroundingYoke' }));
    expect(onTerminal(wiring, 'ground')).toBeDefined();
  });

  test('a strap in a nonmetallic box is bonded and grounds a switch without a green screw', () => {
    const job = jobOf(run);
    const strap = (article: BoxArticle): BoxArticle => ({
      ...article,
      id: 'strap-box' as ArticleId,
      groundingStrap: true,
    });
    const stock = job.stock.flatMap((article) => {
      if (article.id === 'wall-1-22.5' && article.kind === 'box') return [article, strap(article)];
      if (article.id !== 'single-pole-15' || article.kind !== 'device') return [article];
      return [{ ...article, terminals: article.terminals.filter((one) => one.use !== 'ground') }];
    });
    const without = planned({ ...job, stock });
    expect(groundedFaults(without)).toEqual([{ device: 'device:slot:S1' }]);
    const made = planned(withBoxes({ ...job, stock }, { S1: 'strap-box' }));
    expect(membersOf(made.wiring, 'S1/G')).toEqual(['bare', 'bare', 'bare tail']);
    expect(groundedFaults(made)).toEqual([]);
  });

  test('one ground left long through a green connector is the tail', () => {
    const { wiring } = planned(withPreferences(run, { groundTail: 'leftLong' }));
    expect(membersOf(wiring, 'S1/G')).toEqual(['bare', 'bare']);
    expect(jointOf(wiring, 'S1/G')?.connectors.map((one) => one.article)).toEqual(['twist-on-ground']);
    expect(onTerminal(wiring, 'ground')?.wire).toMatchObject({ end: { colour: 'bare' } });
  });

  test('one ground looped round the screw of a steel box saves the tail to it, and is in the splice all the same', () => {
    const steel = (boxGround: 'tail' | 'looped', groundTail: 'pigtail' | 'leftLong' = 'pigtail') => {
      const job = withPreferences(run, { boxGround, groundTail });
      return planned({
        ...job,
        boxes: job.boxes.map((one) => ({ ...one, article: null, material: 'metal' as const })),
      });
    };
    expect(membersOf(steel('tail').wiring, 'S1/G')).toEqual(['bare', 'bare', 'bare tail', 'bare tail']);
    const looped = steel('looped');
    expect(membersOf(looped.wiring, 'S1/G')).toEqual(['bare', 'bare', 'bare tail']);
    expect(groundedFaults(looped)).toEqual([]);
    // Another ground is left long for the device where that is the habit too: no wire is on two screws.
    const both = steel('looped', 'leftLong');
    expect(membersOf(both.wiring, 'S1/G')).toEqual(['bare', 'bare']);
    expect(groundedFaults(both)).toEqual([]);
  });

  test('green tails are bought and joined where the job wants them', () => {
    const { wiring } = planned(withPreferences(run, { groundTailColour: 'green' }));
    expect(membersOf(wiring, 'S1/G')).toEqual(['bare', 'bare', 'green tail']);
  });

  test('a luminaire without metal leaves the ground capped, or a tail for a later one', () => {
    const plastic = (plasticLuminaire: 'capped' | 'pigtailLeft') => {
      const job = withPreferences(run, { plasticLuminaire });
      const { wiring } = planned({
        ...job,
        luminaires: job.luminaires.map((one) => ({ ...one, metal: false })),
      });
      return membersOf(wiring, 'L/G');
    };
    expect(plastic('capped')).toEqual(['bare']);
    expect(plastic('pigtailLeft')).toEqual(['bare', 'bare tail']);
  });

  test('a luminaire grounded by its strap takes a tail on its green screw', () => {
    const job = jobOf(run);
    const { wiring } = planned({
      ...job,
      luminaires: job.luminaires.map((one) => ({ ...one, strap: true })),
    });
    // One ground and one screw: it lands directly, with no splice.
    expect(jointOf(wiring, 'L/G')).toBeUndefined();
    expect(wiring.landings).toContainEqual({
      wire: { end: { cable: 'cable:c1:S1>L', side: 'to', colour: 'bare' } },
      terminal: { luminaire: 'lamp:L', name: 'ground' },
    });
  });
});

describe('a receptacle tapped off a switch box', () => {
  const tapped = (receptacles: 'pigtailed' | 'through', downstream: boolean) => {
    const base = jobOf({ runs: ['F-S1', 'S1-L', 'S1-S2'], neutralAt: ['S1'], preferences: { receptacles } });
    const [slot] = base.slots;
    const [group] = base.groups;
    if (!slot || !group) throw new Error('no slot');
    const hot = 'hot' as typeof group.id;
    const J = 'J' as typeof slot.box;
    return planned({
      ...base,
      groups: [group, { ...group, id: hot, name: 'Receptacles', control: 'hot' }],
      slots: [
        slot,
        { ...slot, id: 'r1' as typeof slot.id, box: 'S2' as typeof slot.box, group: hot, role: 'receptacle' },
        ...(downstream
          ? [{ ...slot, id: 'r2' as typeof slot.id, box: J, group: hot, role: 'receptacle' as const }]
          : []),
      ],
      boxes: downstream
        ? [...base.boxes, newBox({ id: 'J', name: 'J', article: 'wall-1-22.5', accessible: 'no' })]
        : base.boxes,
      choices: base.choices.map((choice) => ({
        ...choice,
        runs: downstream ? [...choice.runs, { from: 'S2' as typeof J, to: J }] : choice.runs,
        neutralAt: [slot.id],
      })),
    });
  };

  test('hangs on the unswitched hot and the neutral of its circuit', () => {
    const { job, wiring } = tapped('pigtailed', false);
    const compiled = compile(wiring, job);
    const hot = job.groups.find((one) => one.control === 'hot');
    if (!hot) throw new Error('no hot group');
    expect(proveGroup(job, wiring, compiled, hot)).toMatchObject({ positions: 1, working: 1 });
    const cut = {
      ...wiring,
      landings: wiring.landings.filter(
        ({ terminal }) => !('device' in terminal && terminal.name === 'neutral 1'),
      ),
    };
    expect(proveGroup(job, cut, compile(cut, job), hot).working).toBe(0);
  });

  test('what is behind it hangs on tails, or on its own screws, as the job prefers', () => {
    const pigtailed = tapped('pigtailed', true).wiring;
    expect(membersOf(pigtailed, 'S2/c1/H')).toEqual(['black', 'black', 'black tail']);
    const through = tapped('through', true).wiring;
    expect(jointOf(through, 'S2/c1/H')).toBeUndefined();
    const screws = through.landings
      .filter(({ terminal }) => 'device' in terminal && terminal.device === 'device:r1')
      .map(({ terminal }) => terminal.name);
    expect(screws.sort()).toEqual(['ground', 'hot 1', 'hot 2', 'neutral 1', 'neutral 2']);
  });
});

describe('connectors', () => {
  const hots = (preferences: Partial<Job['preferences']>) => {
    const { wiring } = planned(withPreferences({ runs: ['F-S1', 'S1-L'] }, preferences));
    return jointOf(wiring, 'S1/c1/N')?.connectors.map((one) => one.article);
  };
  test('a port to spare where the job wants one', () => {
    expect(hots({})).toEqual(['lever-2']);
    expect(hots({ sparePort: true })).toEqual(['lever-3']);
    expect(hots({ connectors: 'pushIn', sparePort: true })).toEqual(['push-in-3']);
    expect(hots({ connectors: 'twistOn' })).toEqual(['twist-on-small']);
  });
  test('grounds have their own family where the job wants it, and nothing else has', () => {
    const { wiring } = planned(withPreferences({ runs: ['F-S1', 'S1-L'] }, { groundConnectors: 'crimp' }));
    const families = wiring.joints.map((one) => [one.id.endsWith('/G'), one.connectors[0]?.article]);
    for (const [ground, article] of families) if (!ground) expect(article).not.toBe('crimp-ground');
    expect(jointOf(wiring, 'S1/G')?.connectors[0]?.article).toBe('crimp-ground');
  });
});

describe('boxes chosen by the program', () => {
  const chosen = (change: (job: Job) => Job, box = 'S1') => {
    const preferences = { roomToSpare: 0 } as const;
    const job = withBoxes(jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'], preferences }), {
      S1: null,
      S2: null,
      L: null,
    });
    return planned(change(job)).wiring.boxes[box as keyof Wiring['boxes']];
  };
  const each = (more: Partial<Job['boxes'][number]>) => (job: Job) => ({
    ...job,
    boxes: job.boxes.map((box) => ({ ...box, ...more })),
  });
  test('the cheapest that holds what is in it', () => {
    expect(chosen((job) => job)).toEqual(['wall-1-18']);
    // The feed in the middle box: 22.0 in³ are needed.
    const middle = planned(
      withBoxes(jobOf({ runs: ['F-S2', 'S2-S1', 'S2-S3', 'S3-L'], neutralAt: ['S2', 'S3'] }), { S2: null }),
    );
    expect(middle.wiring.boxes['S2' as keyof Wiring['boxes']]).toEqual(['wall-1-22.5']);
  });
  test('old work in finished walls, metal where it is asked for, with a ring where that is cheapest', () => {
    expect(chosen(each({ work: 'old' }))).toEqual(['old-1-20']);
    expect(chosen(each({ material: 'metal' }))).toEqual(['steel-1-18']);
    // No device box of the stock holds it; a square box with a ring does.
    const squares = (job: Job) => ({
      ...each({ material: 'metal' })(job),
      stock: job.stock.filter((one) => !one.id.startsWith('steel-1') && !one.id.startsWith('masonry')),
    });
    expect(chosen(squares)).toEqual(['square-18', 'ring-4-1']);
  });
  test('a heavy luminaire asks for a box that holds it; one with its own driver box for none', () => {
    const heavy = (pounds: number | null, driverBox: number | null) => (job: Job) => ({
      ...job,
      luminaires: job.luminaires.map((one) => ({ ...one, pounds, driverBox })),
    });
    expect(chosen(heavy(60, null), 'L')).toEqual(['octagon-fan-15.5']);
    expect(chosen(heavy(3, 80_000), 'L')).toEqual([]);
  });
});

describe('nodes of a box', () => {
  // Two groups at the same two doors: two three-wire cables side by side, each with its own neutral.
  const job = jobOf({ runs: ['F-S1', 'S1-S2', 'S2-L'] });
  const article = articleOf(job.stock, 'cable', '14-3');
  const neutral: Net = { id: 'c1/N', kind: 'neutral', circuit: 'c1' as never, group: null, lane: null };
  const between = (group: string, from: TreePlace, to: TreePlace): CableToMakeUp => ({
    cable: {
      ...{ id: `cable-${group}` as CableId, article: article.id, from: 'S1' as BoxId, to: 'S2' as BoxId },
      ...{ length: 100, lengthSource: 'measured', existing: false, via: [] },
    },
    article,
    nodes: { from, to },
    colouring: article.insulated.map((colour) => ({
      colour,
      net:
        colour === 'white'
          ? neutral
          : {
              id: `${group}/T0.${colour}`,
              kind: 'traveler',
              circuit: null,
              group: 'g1' as never,
              lane: colour === 'red' ? 'b' : 'a',
            },
    })),
    circuit: 'c1' as never,
  });
  const at = (box: string, group: string) => nodePlaceOf(box as BoxId, group as GroupId);

  test('nets of nodes that are not joined stay apart, their neutrals too; grounds are one for the box', () => {
    const cables = [
      between('g1', at('S1', 'g1'), at('S2', 'g1')),
      between('g2', at('S1', 'g2'), at('S2', 'g2')),
    ];
    const { wiring } = makeUp(job, cables, [], [], {});
    const neutrals = wiring.joints.filter((joint) => joint.id.includes('c1/N') && joint.box === 'S2');
    expect(neutrals.map((joint) => joint.id).sort()).toEqual(['S2/c1/N~node.g1', 'S2/c1/N~node.g2']);
    expect(wiring.joints.filter((joint) => joint.id === 'S2/G').map((joint) => joint.members.length)).toEqual(
      [2],
    );
  });

  test('where one node holds both, as in the box that the feed enters, they are one splice', () => {
    const cables = [
      between('g1', 'S1' as BoxId, at('S2', 'g1')),
      between('g2', 'S1' as BoxId, at('S2', 'g2')),
    ];
    const { wiring } = makeUp(job, cables, [], [], {});
    expect(membersOf(wiring, 'S1/c1/N')).toEqual(['white', 'white']);
  });

  test('a node is read back from its name, whatever its group is called', () => {
    for (const group of ['g', 'a~return', 'x/y:z'])
      expect([placeOfNode(at('S1', group)), nodeEnding(at('S1', group))]).toEqual(['S1', `~node.${group}`]);
    expect(placeOfNode(returnPlaceOf('S1' as BoxId))).toBe('S1');
    const named = {
      ...job,
      boxes: job.boxes.map((box) => (box.id === 'L' ? { ...box, id: 'L~node.x' } : box)),
    };
    const read = readJob(JSON.parse(JSON.stringify(named)) as object);
    expect(read.ok ? [] : read.faults.map((one) => one.message)).toContainEqual(
      expect.stringContaining('cannot be written as a node'),
    );
  });
});
