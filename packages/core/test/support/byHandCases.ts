import type { MakeUpLevel } from '../../src/index.js';

/**
 * What was done to a circuit that is made up as planned (the short hand is that of `byHand.ts`), and what comes of it, worked out with a pencil
 * and nothing else. A wire that is taken from a splice of two leaves the other in its connector, alone. A switch in a metal box is grounded by the
 * screws that hold it, the box by its own screw alone.
 * - `ok`: it works and would pass.
 * - at the handles: `trips`, `never` and `always` lit, `weak`, `apart` (one light without the other), `idle` (a handle does nothing) and
 *   `partly` (only from some positions), with its box where it is one alone, `swayed` by a handle of another group, `shell` (the handles do
 *   as they should, and a shell or more is live that should not be).
 * - `loose@` a box where a wire hangs free.
 * - else the rules that it breaks, though every handle does what it should.
 */
export const BY_HAND: Readonly<Record<MakeUpLevel, string>> = {
  // a: panel to 1; b: 1 to the light 2.
  poleAtSwitch: `
    | ok
    1a.bk<>1b.bk | ok
    2b.bk<>2b.wh | shell shell-on-neutral
    1b.bk>1a.bk | always
    1b.bk>loose | never loose@1
    1b.wh>loose | never loose@1
    1a.bk<>1a.wh | shell switch-hot-only shell-on-neutral reidentified-white
    1a.bk>1a.wh | trips
    1b.bk>1a.wh | never
    1a.bk<>1b.wh | trips
    1b.bk<>1b.wh | shell shell-on-neutral neutral-colour
    1b.bk<>1b.wh; 2b.bk<>2b.wh | reidentified-white neutral-colour
    1b.bk<>1b.wh; 2b.bk<>2b.wh; 1b.wh=black; 2b.wh=black | reidentified-white neutral-colour
    1b.bk>1.line | always one-wire-a-screw
    2b.wh>2b.bk | trips
    2.hot>2b.wh | never
    2.neutral>2b.bk | never
    1b.g>1.load | ground-colour luminaire-grounded
    ~1.ground>loose | yoke-grounded loose@1
    2.ground>loose | luminaire-grounded loose@2
    1a.g>loose | grounds-joined loose@1
    1a.wh=black | reidentified-white
    twist 2b.bk | splices
    twist 1a.g | splices`,
  // a: panel to the light 1; b, of three: 1 to the switch 2.
  poleAtLight: `
    | ok
    2b.bk<>2b.rd | ok
    1b.bk<>1b.rd | ok
    1b.bk<>1b.rd; 2b.bk<>2b.rd | ok
    1b.bk<>1b.wh | never
    1b.bk<>1b.wh; 2b.bk<>2b.wh | reidentified-white neutral-colour
    1b.bk<>1b.wh; 2b.bk<>2b.wh; 1b.wh=black; 2b.wh=black | neutral-colour
    1b.rd>loose | never loose@1
    1b.rd<>1a.bk | always
    1b.rd>1a.bk | never
    1.hot>1a.bk | always
    1.neutral>loose | never loose@1
    1.neutral<>1.hot | shell shell-on-neutral
    2b.wh>2.load | trips one-wire-a-screw
    2b.wh<>2b.bk | never
    2b.wh<>2b.rd | trips
    2b.g>loose | yoke-grounded loose@2
    1a.g>loose | grounds-joined loose@1
    1.ground>loose | luminaire-grounded loose@1
    1a.bk<>1a.wh | shell switch-hot-only shell-on-neutral
    2b.wh>loose | loose@2
    twist 1b.rd | splices`,
  // a: panel to the light 1; b, of two: 1 to the switch 2, its white marked and hot.
  loopOfTwo: `
    | ok
    1b.wh=none | reidentified-white
    2b.wh=none | reidentified-white
    1b.wh=none; 2b.wh=none | reidentified-white
    1b.wh<>1b.bk | reidentified-white
    2b.wh<>2b.bk | ok
    1b.wh>1a.wh | never
    1b.wh<>1a.wh | trips
    1a.bk<>1a.wh | shell switch-hot-only shell-on-neutral
    1.hot<>1.neutral | shell shell-on-neutral
    1b.bk>1a.wh | trips
    1b.bk>1a.bk | never
    1.hot>1a.bk | always
    1.hot>1a.wh | never
    1.neutral>1a.bk | never
    2b.bk>loose | never loose@2
    2b.bk>2.line | always one-wire-a-screw
    2b.wh>2b.bk | always
    2b.g>loose | yoke-grounded loose@2
    1.ground>loose | luminaire-grounded loose@1
    1a.g>loose | grounds-joined loose@1
    1b.bk>loose | never loose@1
    twist 1b.bk | splices`,
  // a: panel to the switch 1; b: 1 to the light 2; c: 2 to the light 3.
  poleTwoLights: `
    | ok
    1a.bk<>1b.bk | ok
    2c.bk<>2c.wh | shell shell-on-neutral
    2c.bk<>2c.wh; 3c.bk<>3c.wh | reidentified-white neutral-colour
    2c.bk>loose | apart loose@2
    2c.wh>loose | apart loose@2
    2.hot>loose | apart loose@2
    2.neutral>loose | apart loose@2
    3c.bk>loose | apart loose@3
    3c.wh>loose | apart loose@3
    2.hot<>2.neutral | shell shell-on-neutral
    3.hot<>3.neutral | shell shell-on-neutral
    2b.wh>loose | never loose@2
    2b.bk>loose | never loose@2
    2c.wh>2b.bk | apart
    2c.bk>2b.wh | apart
    1b.wh>1.load | never one-wire-a-screw
    2.neutral>loose; 2c.bk>loose; 2c.bk>2.neutral | weak
    2b.bk<>2b.wh | shell shell-on-neutral
    1a.bk>1a.wh | trips
    1b.g>loose | grounds-joined loose@1
    3c.g>loose | luminaire-grounded loose@3
    twist 2b.wh | splices`,
  // a: panel to the switch 1; b, of three: 1 to the switch 2; c: 2 to the light 3.
  pairAtSwitch: `
    | ok
    1b.bk<>1b.rd | ok
    2b.bk<>2b.rd | ok
    1b.bk<>1b.rd; 2b.bk<>2b.rd | ok
    1a.bk<>1b.bk | partly
    1a.bk<>1b.rd | partly
    2c.bk<>2b.bk | partly
    2c.bk<>2b.rd | partly
    1a.bk<>1b.bk; 2c.bk<>2b.bk | partly
    1a.bk>loose | never loose@1
    2c.bk>loose | never loose@2
    1b.rd>loose | partly loose@1
    2b.rd>loose | partly loose@2
    1b.rd>1.t1 | idle@2 one-wire-a-screw
    2b.rd>2.t1 | idle@1 one-wire-a-screw
    1b.bk>1.common | partly one-wire-a-screw
    1b.wh>loose | never loose@1
    1b.wh<>1b.bk | partly
    1b.wh<>1b.bk; 2b.wh<>2b.bk | reidentified-white neutral-colour
    1b.wh<>1b.bk; 2b.wh<>2b.bk; 1b.wh=black; 2b.wh=black | neutral-colour
    2b.wh<>2c.bk | trips
    3c.bk<>3c.wh | shell shell-on-neutral
    1a.bk<>1a.wh | shell switch-hot-only
    1a.bk>1a.wh | trips
    2c.bk>2b.bk | idle@2
    ~2.ground>loose | yoke-grounded loose@2
    twist 3c.wh | splices`,
  // a: panel to the light 1; b, of three: 1 to the switch 2; c, of three: 2 to the switch 3, its white marked, the hot to its common.
  pairAtLight: `
    | ok
    2c.bk<>2c.rd | ok
    3c.bk<>3c.rd | ok
    2c.wh=none | reidentified-white
    3c.wh=none | reidentified-white
    1b.bk<>1b.rd | reidentified-white
    2b.rd<>2b.bk | reidentified-white
    2b.rd<>2c.bk | partly
    2b.rd<>2c.rd | partly
    3c.wh<>3c.bk | partly
    3c.wh<>3c.rd | partly
    2b.wh<>2b.bk | never
    2b.wh<>2b.rd | trips
    2b.wh>loose | loose@2
    1b.rd>loose | never loose@1
    1.hot<>1.neutral | shell shell-on-neutral
    1b.bk>1a.wh | never
    1.hot>1a.bk | always
    3c.g>loose | yoke-grounded loose@3
    2c.wh>loose | never loose@2
    3c.rd>loose | partly loose@3
    2c.wh>2.t1 | never one-wire-a-screw
    1a.bk<>1a.wh | shell switch-hot-only
    twist 1b.rd | splices`,
  // a: panel to the three-way 1; b, of three: 1 to the four-way 2; c, of three: 2 to the three-way 3; d: 3 to the light 4. Boxes of steel.
  fourWay: `
    | ok
    2b.bk<>2b.rd | ok
    2c.bk<>2c.rd | ok
    1b.bk<>1b.rd; 3c.bk<>3c.rd | ok
    2b.bk<>2c.bk; 2b.rd<>2c.rd | ok
    2b.rd<>2c.bk | partly
    2b.bk<>2c.bk | partly
    2b.bk>loose | partly loose@2
    2c.rd>loose | partly loose@2
    1a.bk<>1b.rd | partly
    3d.bk<>3c.bk | partly
    1a.bk>loose | never loose@1
    2b.wh>loose | never loose@2
    2b.bk>2.in2 | idle@1 one-wire-a-screw
    2c.bk>2.out2 | idle@3 one-wire-a-screw
    2b.bk>2c.bk; 2b.rd>2c.rd | idle@2
    2b.wh<>2b.bk | partly
    4d.bk<>4d.wh | shell shell-on-neutral
    1a.bk<>1a.wh | shell switch-hot-only
    ~2.ground>loose | loose@2
    ~2.box>loose | metal-box-bonded loose@2
    4.ground>loose | luminaire-grounded loose@4
    2b.g>loose | grounds-joined loose@2
    twist 2b.g | splices`,
  // a: panel to the three-way 1; b, c, d, of three: on to the four-ways 2 and 3 and the three-way 4; e: 4 to the light 5; f: 5 to the light 6.
  twoFourWays: `
    | ok
    2b.bk<>2b.rd; 3d.bk<>3d.rd | ok
    3c.bk<>3d.bk; 3c.rd<>3d.rd | ok
    3c.rd<>3d.bk | partly
    2b.bk<>2c.bk | partly
    3c.bk>3.in2 | idle one-wire-a-screw
    3d.bk>3.out2 | idle@4 one-wire-a-screw
    2b.rd>2.in1 | idle@1 one-wire-a-screw
    2b.bk>2c.bk; 2b.rd>2c.rd | idle@2
    3c.bk>3d.bk; 3c.rd>3d.rd | idle@3
    2b.bk>2c.bk; 2b.rd>2c.rd; 3c.bk>3d.bk; 3c.rd>3d.rd | idle
    4e.bk<>4d.bk | partly
    1a.bk<>1b.bk | partly
    5f.bk>loose | apart loose@5
    5f.wh>loose | apart loose@5
    5.hot<>5.neutral | shell shell-on-neutral
    6.hot<>6.neutral | shell shell-on-neutral
    3c.wh>loose | never loose@3
    3c.rd>loose | partly loose@3
    ~3.box>loose | metal-box-bonded loose@3
    ~3.ground>loose | loose@3
    5f.bk<>5f.wh; 6f.bk<>6f.wh | reidentified-white neutral-colour
    5.neutral>loose; 5f.bk>loose; 5f.bk>5.neutral | weak`,
  // a: panel to 1; b, of three: from 1 to 2 for the first light 3, c: 2 to 3; d, of three: from 1 to 2 for the second light 4, e: 2 to 4.
  twoGroups: `
    | ok
    1b.bk<>1b.rd | ok
    2d.bk<>2d.rd | ok
    1b.bk<>1d.bk; 2b.bk<>2d.bk | conductors-together
    1b.bk<>1d.bk | swayed
    2b.bk<>2d.bk | swayed
    2c.bk<>2e.bk | swayed
    2b.wh>2d.wh | never
    2b.wh++2d.wh | parallel-paths
    2c.wh<>2e.wh | conductors-together
    1b.wh>loose | never loose@1
    1d.wh>loose | never loose@1
    2c.bk<>2b.bk | partly
    2e.bk<>2d.rd | partly
    ~1/1.common<>1b.bk | partly
    ~1/2.common>loose | never loose@1
    1b.rd>1/1.t1 | idle@2 one-wire-a-screw
    3c.bk<>3c.wh | shell shell-on-neutral
    4.ground>loose | luminaire-grounded loose@4
    ~2.box>loose | metal-box-bonded loose@2
    ~2/2.ground>loose | loose@2
    1b.wh<>1b.bk; 2b.wh<>2b.bk | reidentified-white neutral-colour
    2d.rd>loose | partly loose@2
    twist 1a.bk | splices`,
  // a: panel to 1, b and c: to the lights 3 and 4; d: the second circuit from the panel to 1, e, of three: 1 to 2, f: 2 to the light 5, g: 1 to the light 6.
  fourGang: `
    | ok
    1e.bk<>1e.rd | ok
    1b.bk<>1c.bk | swayed
    1b.wh>1d.wh | borrowed-neutral
    1g.wh>1a.wh | borrowed-neutral
    1e.wh>1a.wh | borrowed-neutral
    1a.wh++1d.wh | neutral-one-circuit
    ~1/2.line>loose | never loose@1
    1c.bk>loose | never loose@1
    1c.bk<>1g.bk | swayed
    1e.bk<>1g.bk | swayed
    2f.bk<>2e.bk | partly
    ~1/3.common<>1e.rd | partly
    1e.wh>loose | never loose@1
    3b.bk<>3b.wh | shell shell-on-neutral
    5f.bk<>5f.wh | shell shell-on-neutral
    ~1/4.ground>loose | yoke-grounded loose@1
    6.ground>loose | luminaire-grounded loose@6
    twist 1d.bk | splices
    1b.bk>1/2.load | swayed one-wire-a-screw
    1a.bk<>1d.bk | borrowed-neutral
    1a.wh<>1d.wh | borrowed-neutral
    1d.bk>1d.wh | trips
    1a.bk++1d.bk | trips`,
};
