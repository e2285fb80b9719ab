import {
  BUILT,
  drawHiddenFault,
  drawJudging,
  drawMakeUp,
  drawPlanIt,
  drawSizing,
  drawWhichWire,
  judgeMakeUp,
  MAKE_UP_LEVELS,
  PLAN_LEVELS,
  reviewWiring,
} from '@amber/core';

const EACH = 30;

/** How long an exercise takes to be drawn, to be proved after a change of a wire, and to be judged. `show` prints times under a name with their aim. */
export const practiceFigures = (show) => {
  const times = { draw: [], hide: [], others: [], change: [], judge: [] };
  const timed = (into, work) => {
    const began = performance.now();
    const made = work();
    into.push(performance.now() - began);
    return made;
  };
  for (const level of Object.keys(MAKE_UP_LEVELS))
    for (let seed = 1; seed <= EACH; seed++) {
      const asked = { level, seed, edition: 2023 };
      const { job } = timed(times.draw, () => drawMakeUp(asked));
      timed(times.hide, () => drawHiddenFault(asked));
      for (const draw of [drawWhichWire, drawSizing, drawJudging]) timed(times.others, () => draw(asked));
      timed(times.change, () => reviewWiring({ ...job }, BUILT).proofs);
      timed(times.judge, () => judgeMakeUp({ ...job }));
    }
  for (const level of PLAN_LEVELS)
    for (let seed = 1; seed <= EACH; seed++)
      timed(times.others, () => drawPlanIt({ level, seed, edition: 2023 }));
  show('Practice: a new circuit with its wires loose', times.draw, '300 ms');
  show('Practice: a new hidden fault', times.hide, '300 ms');
  show('Practice: a new exercise of the other kinds', times.others, '300 ms');
  show('Practice: proved anew after a wire is moved', times.change, '50 ms');
  show('Practice: judged', times.judge, 'none');
};
