const time = new Intl.DateTimeFormat(undefined, { hour: 'numeric', minute: '2-digit' });
const date = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

export const clock = (at: number): string => time.format(at);

/** "today 2:41 PM", else the date. */
export const when = (iso: string): string => {
  const at = new Date(iso);
  return at.toDateString() === new Date().toDateString() ? `today ${time.format(at)}` : date.format(at);
};

export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
