import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { expose } from 'comlink';
import { planner } from '../../src/worker/planner.js';

// The browser of these tests has no marks of time.
performance.mark = () => undefined as never;

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

const open: MessagePort[] = [];
afterAll(() => {
  for (const port of open) port.close();
});

/** One whose ends are closed when all is tested: an open end keeps the process. */
class Channel extends MessageChannel {
  constructor() {
    super();
    open.push(this.port1, this.port2);
  }
}

/** A planner that answers, in this very thread: what the page asks and shows is tested with what is really worked out. */
export const plannerInPlace = (): void => {
  globalThis.MessageChannel = Channel as never;
  globalThis.Worker = class {
    readonly #ports = new Channel();
    constructor() {
      expose(planner, this.#ports.port2 as never);
    }
    postMessage(message: unknown, transfer: never[] = []) {
      this.#ports.port1.postMessage(message, transfer);
    }
    addEventListener(kind: string, listener: never) {
      if (kind === 'message') this.#ports.port1.addEventListener('message', listener);
    }
    removeEventListener(kind: string, listener: never) {
      if (kind === 'message') this.#ports.port1.removeEventListener('message', listener);
    }
    start() {
      this.#ports.port1.start();
    }
    terminate() {
      this.#ports.port1.close();
    }
  } as never;
};
