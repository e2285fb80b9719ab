/**
 * In a test everything global is asked of a proxy, at each use: to names of the module itself that goes many times as fast, and most of what searches and
 * plans with it. Nothing that a test puts another in the place of is among them.
 */
export const OWN_GLOBALS = `const { ${[
  ...['Array', 'Boolean', 'Error', 'Infinity', 'JSON', 'Map', 'Math', 'NaN', 'Number', 'Object', 'Set'],
  ...['String', 'WeakMap', 'undefined', 'Float64Array', 'Int8Array', 'Int16Array', 'Int32Array'],
  ...['Uint8Array', 'Uint16Array', 'Uint32Array'],
].join(', ')} } = globalThis;`;
