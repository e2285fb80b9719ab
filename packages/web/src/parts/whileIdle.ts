/** A piece is not begun with less than this before something else is due, milliseconds. */
const LEAST_LEFT = 8;
/** Where somebody waits for what comes of it, so long is worked each time, whatever else is due, milliseconds. */
const TURN = 12;

/**
 * Does a work piece by piece while nothing else is to be done, so that the whole of it holds up no tap; `step` tells whether something is
 * left. All of it at once in a browser that cannot tell when it idles. Gives the way to leave the rest undone.
 *
 * @param latest given where somebody waits for it: some of it is done after so long at the last, however much else there is, milliseconds
 */
export const whileIdle = (step: () => boolean, done: () => void, latest?: number): (() => void) => {
  const options = latest === undefined ? undefined : { timeout: latest };
  let idle = 0;
  const further = (deadline: IdleDeadline) => {
    const begun = performance.now();
    const mayGoOn = () =>
      deadline.timeRemaining() > LEAST_LEFT || (latest !== undefined && performance.now() - begun < TURN);
    let isLeft = step();
    while (isLeft && mayGoOn()) isLeft = step();
    if (isLeft) idle = requestIdleCallback(further, options);
    else done();
  };
  if (typeof requestIdleCallback === 'function') idle = requestIdleCallback(further, options);
  else done();
  return () => {
    if (idle !== 0) cancelIdleCallback(idle);
  };
};
