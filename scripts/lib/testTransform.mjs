import swc from '@swc/jest';
import { OWN_GLOBALS } from './ownGlobals.mjs';

/** TypeScript as a test loads it, with globals of its own; lines stay where they are. */
const createTransformer = (options) => {
  const made = swc.createTransformer(options);
  const withOwn =
    (act) =>
    (source, ...rest) =>
      act(OWN_GLOBALS + source, ...rest);
  return {
    ...made,
    process: withOwn(made.process),
    processAsync: withOwn(made.processAsync),
    getCacheKey: withOwn(made.getCacheKey),
  };
};

export default { createTransformer };
