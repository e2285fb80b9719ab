/** A planner that never answers: what it would find is another test's. */
class SilentWorker {
  postMessage() {}
  addEventListener() {}
  removeEventListener() {}
  terminate() {}
}

/** Ends of a channel on which nothing comes. */
class SilentChannel {
  port1 = new SilentWorker();
  port2 = new SilentWorker();
}

export const silencePlanner = (): void => {
  globalThis.MessageChannel = SilentChannel as never;
  globalThis.Worker = SilentWorker as never;
};
