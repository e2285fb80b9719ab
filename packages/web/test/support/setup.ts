import { TextDecoder, TextEncoder } from 'node:util';

/** What every browser has and a page without one lacks. */
Object.assign(globalThis, {
  TextEncoder,
  TextDecoder,
  ResizeObserver: class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
});
Element.prototype.scrollIntoView = () => undefined;
Element.prototype.getAnimations = () => [];
