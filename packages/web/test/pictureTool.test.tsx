import { act, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import {
  addPicture,
  feetInches,
  newJob,
  standardStock,
  type Job,
  type JobId,
  type PictureId,
  type Spot,
} from '@amber/core';
import { LayoutScreen } from '../src/screens/layout/LayoutScreen.js';
import { PictureForm, PictureTool } from '../src/screens/layout/PictureTool.js';
import type { Pointing } from '../src/screens/layout/selection.js';
import { useAppSelector } from '../src/store/store.js';
import { jobOf, press, show } from './support/page.js';
import { fakeServer, type Sent } from './support/server.js';
import { silencePlanner } from './support/worker.js';

const HASH = 'ab'.repeat(32);
const ID = 'picture' as PictureId;
let sent: Sent[] = [];

/** What the browser makes of the next picture: its size, or nothing where it cannot read it. */
let size: { width: number; height: number } | null = null;
class Drawn {
  onload = () => undefined as void;
  onerror = () => undefined as void;
  naturalWidth = 0;
  naturalHeight = 0;
  set src(_: string) {
    this.naturalWidth = size?.width ?? 0;
    this.naturalHeight = size?.height ?? 0;
    queueMicrotask(() => (size ? this.onload() : this.onerror()));
  }
}

beforeEach(() => {
  sent = fakeServer();
  silencePlanner();
  localStorage.clear();
  globalThis.Image = Drawn as never;
  URL.createObjectURL = () => 'blob:picture';
  URL.revokeObjectURL = () => undefined;
  size = { width: 1200, height: 800 };
});

const empty = (): Job => newJob('house' as JobId, 'House', standardStock());
const Layout = () => {
  const job = useAppSelector((state) => state.job.open?.document);
  return job ? <LayoutScreen job={job} circuit={null} /> : null;
};
const choose = async (name: string) => {
  const files = [new File(['drawn'], name)];
  fireEvent.change(screen.getByLabelText('Picture of the house'), { target: { files } });
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 10));
  });
};

test('a picture is laid under the plan once the server has it, under the name of its file, and is named and sized where it is pointed at', async () => {
  const { store } = show(<Layout />, { job: empty() });
  press('Picture');
  await choose('ground floor.PNG');
  expect(jobOf(store).pictures).toEqual([]);
  expect(screen.getByRole('button', { name: 'Reading ...' })).toHaveProperty('disabled', true);
  const [asked] = sent.filter(({ path }) => path.endsWith('/pictures'));
  expect(asked?.method).toBe('POST');
  await act(async () => {
    asked?.answer(201, { hash: HASH });
    await new Promise((resolve) => setTimeout(resolve, 10));
  });
  const [laid] = jobOf(store).pictures;
  expect(laid).toMatchObject({ name: 'ground floor', hash: HASH, width: 1200, height: 800 });
  fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Survey' } });
  fireEvent.blur(screen.getByLabelText('Name'));
  const wide = screen.getByLabelText(/^It shows, from left to right/);
  fireEvent.change(wide, { target: { value: "50'" } });
  fireEvent.blur(wide);
  const [now] = jobOf(store).pictures;
  expect(now).toMatchObject({ name: 'Survey', inchesPerPixel: 0.5 });
  screen.getByText(`${feetInches(400)} from top to bottom.`);
});

test('what is no picture, cannot be read, is too large or is not kept is told, and nothing is laid', async () => {
  const { store } = show(<Layout />, { job: empty() });
  press('Picture');
  const told = () => screen.getByRole('alert').textContent;
  await choose('plan.pdf');
  expect(told()).toBe('plan.pdf is no SVG, PNG or JPEG. Save it as one of these.');
  size = null;
  await choose('plan.jpg');
  expect(told()).toBe('plan.jpg cannot be read as a picture. Save it again.');
  size = { width: 30_000, height: 10 };
  await choose('plan.jpg');
  expect(told()).toBe('plan.jpg is over 20,000 pixels wide. Save it smaller.');
  expect(sent.filter(({ path }) => path.endsWith('/pictures'))).toEqual([]);
  size = { width: 600, height: 400 };
  await choose('plan.jpg');
  await act(async () => {
    sent.find(({ path }) => path.endsWith('/pictures'))?.vanish();
    await new Promise((resolve) => setTimeout(resolve, 10));
  });
  expect(told()).toBe('The server does not answer. Nothing was changed.');
  expect(jobOf(store).pictures).toEqual([]);
});

/** The tool by itself, with the points that were tapped on the plan. */
const Scaling = ({ tapped }: { tapped: Spot[] }) => {
  const job = useAppSelector((state) => state.job.open?.document);
  const [marks, setMarks] = useState(tapped);
  if (!job) return null;
  const pointing = { marks, setMarks } as unknown as Pointing;
  const inView = () => ({ at: { x: 0, y: 0 }, wide: 240 });
  return <PictureTool job={job} seen={job} pointing={pointing} inView={inView} onPlaced={() => undefined} />;
};
const withPicture = (): Job =>
  addPicture(empty(), {
    ...{ id: ID, name: 'Survey', hash: HASH, width: 1000, height: 500 },
    ...{ at: { x: 100, y: 40 }, wide: 1000 },
  });

test('by two points whose distance was measured the picture is made so large about the first of them', () => {
  const { store } = show(
    <Scaling
      tapped={[
        { x: 100, y: 40 },
        { x: 300, y: 40 },
      ]}
    />,
    { job: withPicture() },
  );
  const isScaled = () => !screen.getByRole<HTMLButtonElement>('button', { name: 'Scale' }).disabled;
  expect(isScaled()).toBe(false);
  const length = screen.getByLabelText('Length between the two points');
  const type = (value: string) => {
    fireEvent.change(length, { target: { value } });
    fireEvent.blur(length);
  };
  // 200 inches of the plan would be one 16th of an inch: every pixel less than the least that can be drawn.
  type('1/16"');
  screen.getByRole('alert');
  expect(isScaled()).toBe(false);
  type('33\' 4"');
  expect(screen.queryByRole('alert')).toBe(null);
  press('Scale');
  expect(jobOf(store).pictures).toMatchObject([{ inchesPerPixel: 2, at: { x: 100, y: 40 } }]);
  // The points are let go; the next length is told by two others.
  screen.getByText(/Tap one end of something you have measured/);
});

test('other points may be tapped instead, and how strong the picture is shows at once', () => {
  const job = withPicture();
  const [picture] = job.pictures;
  if (!picture) throw new Error('no picture');
  const { store, unmount } = show(<Scaling tapped={[{ x: 0, y: 0 }]} />, { job });
  screen.getByText('Tap its other end.');
  unmount();
  const form = show(<PictureForm job={job} picture={picture} />, { job });
  fireEvent.change(screen.getByLabelText('Strength'), { target: { value: '25' } });
  expect(jobOf(form.store).pictures).toMatchObject([{ strength: 25 }]);
  expect(jobOf(store).pictures).toMatchObject([{ strength: picture.strength }]);
});
