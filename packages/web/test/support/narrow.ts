/** The page is as wide as a telephone, or as a desk; or in the dark. */
export const seenAs = ({ narrow = false, dark = false }: { narrow?: boolean; dark?: boolean }): void => {
  globalThis.matchMedia = ((query: string) => ({
    matches: query.includes('max-width') ? narrow : query.includes('dark') && dark,
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  })) as never;
};
