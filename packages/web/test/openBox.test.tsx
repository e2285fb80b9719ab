import { fireEvent, screen, within } from '@testing-library/react';
import {
  boxInWords,
  compile,
  leadsBack,
  newWiringDoc,
  plannedWiring,
  type BoxId,
  type DeviceId,
  type Job,
  type Wiring,
} from '@amber/core';
import { BenchScreen } from '../src/screens/bench/BenchScreen.js';
import { FacePicker } from '../src/panels/steps/FacePicker.js';
import { useSubject } from '../src/wiring/useSubject.js';
import { firstLook, nearer, settled, wholeScale } from '../src/wiring/useZoom.js';
import { planStrip, widthOf } from '../src/wiring/stripGeometry.js';
import { jobOf, show } from './support/page.js';
import { fakeServer } from './support/server.js';
import { yard } from './support/yard.js';

class SilentWorker {
  postMessage() {}
  addEventListener() {}
  removeEventListener() {}
  terminate() {}
}
beforeEach(() => {
  fakeServer();
  globalThis.Worker = SilentWorker as never;
});

const bench = (job: Job, circuit: string, wiring: string | null = null) =>
  show(
    <BenchScreen
      job={job}
      circuit={job.circuits.find((one) => one.id === circuit) ?? null}
      wiring={wiring}
    />,
    {
      job,
    },
  );
const box = (name: string) => screen.getByRole('article', { name: `Box ${name}` });
const drawing = (name: string) => within(box(name)).getByRole('group', { name: `Wires in ${name}` });

/** The yard with a wiring as found, of which something is not known. */
const partly = (change: (wiring: Wiring) => Partial<Wiring>): Job => {
  const job = yard();
  const planned = plannedWiring(job);
  if (!planned) throw new Error('no wiring');
  return {
    ...job,
    wirings: [...job.wirings, newWiringDoc('as-found', 'found', { ...planned, ...change(planned) })],
  };
};

describe('an opened box', () => {
  test('is drawn as it is seen: devices under the names of what they control, each wire with its label at both ends', () => {
    bench(yard(), 'galley-lights');
    const picture = drawing('Galley door');
    expect(within(picture).getByText('S · Pendants')).toBeTruthy();
    expect(within(picture).getByText('S · Shelf light')).toBeTruthy();
    const wires = [...picture.querySelectorAll('[data-wire]')];
    expect(wires.length).toBeGreaterThan(10);
    for (const wire of wires) expect(wire.querySelectorAll('text').length).toBe(2);
    // The timer has leads, which are squares and no screws; the switch beside it has three screws.
    const fixtures = [...picture.querySelectorAll('[data-fixture]')];
    const screws = fixtures.map(
      (one) => one.querySelectorAll('[data-screw] circle:not([data-finger])').length,
    );
    expect(screws).toEqual([3, 0]);
    // Where a cable goes is written in full.
    const cables = [...picture.querySelectorAll('[data-cable] title')].map(({ textContent }) => textContent);
    expect(cables.join()).toContain('Pendant 1');
  });

  test('flips a handle on a tap, and follows a wire', () => {
    bench(yard(), 'tar-store-light');
    const picture = drawing('Tar store door');
    const live = () => picture.querySelectorAll('[data-live]').length;
    const before = live();
    const device = picture.querySelector('[data-fixture] g');
    fireEvent.click(device!);
    expect(live()).toBeLessThan(before);
    fireEvent.click(picture.querySelector('[data-wire^="conductor"]')!);
    expect(document.querySelectorAll('[data-followed]').length).toBeGreaterThan(1);
    // A screw follows what is on it, and flips nothing.
    const lit = live();
    fireEvent.click(picture.querySelector('[data-screw]')!);
    expect(document.querySelectorAll('[data-followed]').length).toBeGreaterThan(1);
    expect(live()).toBe(lit);
  });

  test('never draws dead what nobody knows: it is marked, told, and its luminaire bears a question mark', () => {
    const job = partly(({ landings }) => {
      const leg = landings.find(
        ({ wire, terminal }) => 'end' in wire && 'device' in terminal && terminal.name === 'load',
      );
      if (!leg || !('end' in leg.wire)) throw new Error('no switch leg');
      return { landings: landings.filter((one) => one !== leg), unseen: [leg.wire.end] };
    });
    bench(job, 'tar-store-light', 'as-found');
    expect(document.querySelectorAll('[data-unknown]').length).toBeGreaterThan(0);
    expect(screen.getByText(/nobody knows: take it for live/)).toBeTruthy();
    expect(screen.getAllByText('?').length).toBeGreaterThan(0);
    expect(within(drawing('Tar store door')).getByText('not looked')).toBeTruthy();
  });

  test('says in words what it shows, line by line, each with the way to its step', async () => {
    const job = yard();
    const { store } = bench(job, 'tar-store-light');
    const wiring = plannedWiring(job)!;
    const card = box('Tar store door');
    const words = card.querySelector('details')!;
    words.open = true;
    fireEvent(words, new Event('toggle'));
    const id = job.boxes.find((one) => one.name === 'Tar store door')!.id;
    const lines = boxInWords(job, wiring, compile(wiring, job), id);
    const items = within(card).getAllByRole('listitem');
    expect(items).toHaveLength(lines.length);
    fireEvent.click(within(items[0]!).getByRole('button', { name: 'Its step' }));
    expect(store.getState().wiring).toMatchObject({ box: id, step: lines[0]?.step });
    expect(screen.getByRole('tab', { name: 'Steps' }).getAttribute('aria-selected')).toBe('true');
    await screen.findByRole('region', { name: 'Steps at Tar store door' });
  });

  test('the run and the positions fold away, and come back', () => {
    bench(yard(), 'ropewalk-lights');
    const fold = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
    expect(screen.queryByRole('region', { name: 'Handle positions' })).toBeNull();
    fold('Positions');
    expect(screen.getByRole('region', { name: 'Handle positions' })).toBeTruthy();
    expect(screen.getByRole('region', { name: 'The run' })).toBeTruthy();
    fold('Run');
    expect(screen.queryByRole('region', { name: 'The run' })).toBeNull();
  });
});

test('the device in the hand is picked by its picture: the job keeps it, and the usual one is left to the program', () => {
  const job = yard();
  const river = job.slots.find((one) => one.id === 'river-switch-slot');
  if (!river) throw new Error('no slot');
  const Picker = () => {
    const subject = useSubject(job, null, job.circuits.find((one) => one.id === 'long-shed-lights') ?? null);
    return <FacePicker subject={subject} box={river.box} />;
  };
  const { store } = show(<Picker />, { job });
  const faces = within(screen.getByRole('group', { name: /^The S[34] of Long shed/ })).getAllByRole('button');
  expect(faces.length).toBeGreaterThan(2);
  expect(faces[0]?.getAttribute('aria-pressed')).toBe('true');
  // Each is told by its screws, as the steps tell them.
  expect(faces[1]?.getAttribute('aria-label')).toMatch(/screw.*(high|low) at the (left|right)/);
  const articleOf = () => jobOf(store).slots.find((one) => one.id === river.id)?.article;
  fireEvent.click(faces[1]!);
  expect(articleOf()).toMatch(/-15-/);
  fireEvent.click(faces[0]!);
  expect(articleOf()).toBeNull();
});

describe('a look at a picture', () => {
  const picture = { width: 600, height: 400 };
  const desk = { width: 900, height: 500 };
  test('comes nearer about a point, which stays where it was; never nearer than six times, never beyond the edge', () => {
    const at = { x: 150, y: 300 };
    const first = firstLook(desk, picture);
    expect(first).toEqual({ scale: 1.25, x: 300, y: 200 });
    let now = first;
    for (let i = 0; i < 14; i++) {
      const next = nearer(now, 1.3, at, desk, picture);
      const edges = [next.x - desk.width / 2 / next.scale, next.x + desk.width / 2 / next.scale];
      if (desk.width / next.scale < picture.width) {
        expect(edges[0]).toBeGreaterThanOrEqual(-1e-9);
        expect(edges[1]).toBeLessThanOrEqual(600 + 1e-9);
      } else expect(next.x).toBe(300);
      now = next;
    }
    expect(now.scale).toBeCloseTo(6 * 1.25, 9);
    // Far from every edge the point does not move on the screen.
    const on = (look: typeof now) => (at.x - look.x) * look.scale;
    const before = nearer(first, 4, at, desk, picture);
    expect(on(nearer(before, 1.1, at, desk, picture))).toBeCloseTo(on(before), 6);
    for (let i = 0; i < 20; i++) now = nearer(now, 1 / 1.3, at, desk, picture);
    expect(now).toEqual(first);
  });
  test('on a telephone begins at the left of a wide box, as high as there is room, and moves within it alone', () => {
    const telephone = { width: 360, height: 520 };
    const wide = { width: 972, height: 612 };
    const first = firstLook(telephone, wide);
    expect(first.scale).toBeCloseTo(520 / 612, 9);
    expect(first.x).toBeCloseTo(180 / first.scale, 9);
    const end = settled({ ...first, x: 5000 }, telephone, wide);
    expect(end.x).toBeCloseTo(972 - 180 / first.scale, 9);
    // A box of one gang is seen whole.
    expect(firstLook(telephone, { width: 336, height: 430 }).scale).toBe(
      wholeScale(telephone, { width: 336, height: 430 }),
    );
  });
});

describe('the run as a scheme', () => {
  const node = (place: string, column: number, devices: number) => ({
    ...{ id: place, place: place as BoxId, column, row: 0, luminaires: [] },
    devices: Array.from({ length: devices }, (_, i) => `${place}-${i}` as DeviceId),
  });
  const edge = (from: string, to: string) =>
    ({ cable: `${from}${to}`, from, to, name: '14/2', insulated: 2, length: 1, existing: false }) as never;
  const strip = {
    nodes: [node('a', 0, 1), node('b', 1, 4), node('c', 2, 1)],
    edges: [edge('a', 'b'), edge('b', 'c'), edge('c', 'a')],
    columns: 3,
    rows: 1,
  };

  test('has columns as wide as what stands in them, so that handles cover no name and no other place', () => {
    const plan = planStrip(strip);
    const [a, b, c] = strip.nodes.map((one) => ({ ...plan.at(one), half: widthOf(one) / 2 }));
    expect(a!.x + a!.half).toBeLessThan(b!.x - b!.half - 60);
    expect(b!.x + b!.half).toBeLessThan(c!.x - c!.half - 60);
    expect(plan.width).toBeGreaterThanOrEqual(c!.x + c!.half);
  });

  test('draws a run that leads back as an arc, and no other', () =>
    expect(
      strip.edges.map(({ from, to }) => {
        const [a, b] = [from, to].map((id) => strip.nodes.find((one) => one.id === id));
        return a && b && leadsBack(a, b);
      }),
    ).toEqual([false, false, true]));
});

describe('what stands at a box', () => {
  const withCertainty = (certainty: 'assumed' | 'partlySeen' | 'seen'): Job => {
    const job = partly(() => ({}));
    const id = job.boxes.find((one) => one.name === 'Tar store door')!.id;
    return {
      ...job,
      wirings: job.wirings.map((one) =>
        one.id === 'as-found' ? { ...one, certainty: { [id]: certainty } } : one,
      ),
    };
  };
  test.each([
    ['assumed', /nobody has looked into this box/],
    ['partlySeen', /what is hatched nobody has followed/],
  ] as const)('of a wiring that is %s, that it is so', (certainty, words) => {
    bench(withCertainty(certainty), 'tar-store-light', 'as-found');
    expect(within(box('Tar store door')).getByText(words)).toBeTruthy();
    expect(within(box('Barrel rack')).queryByText(words)).toBeNull();
  });
  test('of one that was seen nothing of the kind', () => {
    bench(withCertainty('seen'), 'tar-store-light', 'as-found');
    expect(within(box('Tar store door')).queryByText(/Assumed|Partly seen/)).toBeNull();
  });
});

test('a fan and a feed that goes on are no lamps in the run, and say what they do', () => {
  const job = yard();
  const units = ['fan', 'onward'] as const;
  const pendants = job.luminaires.filter((one) => one.box.startsWith('pendant')).slice(0, 2);
  const changed: Job = {
    ...job,
    luminaires: job.luminaires.map((one) => {
      const unit = units[pendants.indexOf(one)];
      return unit ? { ...one, unit } : one;
    }),
  };
  expect(pendants).toHaveLength(2);
  bench(changed, 'galley-lights');
  const words = pendants.map((one) => screen.getByTestId(`light-${one.box}`).textContent);
  expect(words[0]).toMatch(/runs$/);
  expect(words[1]).toMatch(/fed$/);
});

test('the wire between chained connectors is drawn as live as what they join', () => {
  const job = yard();
  const planned = plannedWiring(job)!;
  const hot = planned.joints.find(
    (joint) => joint.box === 'galley-switch' && joint.members.length > 2 && joint.id.includes('/H'),
  );
  const joint = hot ?? planned.joints.find((one) => one.members.length > 2 && one.id.includes('/H'));
  const [connector] = joint?.connectors ?? [];
  if (!joint || !connector) throw new Error('no splice of hots');
  const half = (members: number[]) => ({ ...connector, members, jumperEnds: 1 });
  const [first = 0, ...rest] = connector.members;
  const chained = partly(({ joints }) => ({
    joints: joints.map((one) => (one === joint ? { ...one, connectors: [half([first]), half(rest)] } : one)),
  }));
  const circuit =
    job.groups.find((group) => job.slots.some((slot) => slot.box === joint.box && slot.group === group.id)) ??
    job.groups.find((group) => job.luminaires.some((one) => one.box === joint.box && one.group === group.id));
  bench(chained, circuit?.circuit ?? '', 'as-found');
  const jumper = document.querySelector(`[data-jumper="joint|${joint.id}"]`);
  expect(jumper?.getAttribute('data-live')).toBe('true');
});
