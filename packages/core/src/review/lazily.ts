/** Worked out once, when it is first asked for. */
export const lazily = <T>(make: () => T): (() => T) => {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
};
