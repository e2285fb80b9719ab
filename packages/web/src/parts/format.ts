const time = new Intl.DateTimeFormat(undefined, { hour: 'numeric', minute: '2-digit' });
const date = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

export const clock = (at: number): string => time.format(at);

/** "today 2:41 PM", else the date. */
export const when = (iso: string): string => {
  const at = new Date(iso);
  return at.toDateString() === new Date().toDateString() ? `today ${time.format(at)}` : date.format(at);
};

/** "today", else the date in full. */
export const day = (iso: string): string =>
  new Date(iso).toDateString() === new Date().toDateString() ? 'Today' : date.format(new Date(iso));

/** "today 2:41 PM", else the date and the time. */
export const moment = (iso: string): string =>
  day(iso) === 'Today' ? when(iso) : `${date.format(new Date(iso))}, ${time.format(new Date(iso))}`;

/** Who saved something, and on which device, as far as that was told; empty where nothing was. */
export const sayMaker = ({ by, device }: { by: string; device: string }): string =>
  [by === '' ? '' : `by ${by}`, device === '' ? '' : `on ${device}`].filter(Boolean).join(' ');

/** Who made a save, on what and when, as far as that was told. */
export const sayMade = (made: { at: string; by: string; device: string }): string =>
  [sayMaker(made), moment(made.at)].filter(Boolean).join(', ');

/** Before a sum that rests on lengths that nobody has measured. */
export const aboutWord = ({ guessed, rough }: { guessed: number; rough: readonly unknown[] }): string =>
  guessed + rough.length > 0 ? 'about ' : '';

export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

/** "16 of 16 positions work", or of how many some were tried. Summaries of before know only of what was tried. */
export const sayWorking = ({
  working,
  positions,
  of = positions,
}: {
  working: number;
  positions: number;
  of?: number;
}): string =>
  of > positions
    ? `${working.toLocaleString('en-US')} of ${positions.toLocaleString('en-US')} positions tried work (there are ${of.toLocaleString('en-US')})`
    : `${working} of ${positions} positions work`;
