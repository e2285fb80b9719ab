/** A planner that never answers: what it would find is another test's. */
class SilentWorker {
  postMessage() {}
  addEventListener() {}
  removeEventListener() {}
  terminate() {}
}

export const silencePlanner = (): void => {
  globalThis.Worker = SilentWorker as never;
};
