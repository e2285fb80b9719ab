import type { Colour, Hue } from '../../model/colours.js';
import type { ArticleId, BoxId, CableId, DeviceId, JointId, LuminaireId, Place } from '../../model/ids.js';
import type { Job } from '../../model/job.js';
import type { PigtailId } from '../../model/ids.js';
import type { Cable, Device, End, Joint, Lead, Mark, Terminal, Wiring } from '../../model/wiring.js';

/** What an edit has to know beside the wiring: the articles, and which luminaire is in which box. A job is one. */
export type EditParts = Pick<Job, 'stock' | 'luminaires'>;

/** A wire with an end in a box: of a cable, of a piece of wire from a splice, of what is fitted there. */
export type LooseWire = { end: End } | { pigtail: PigtailId } | { lead: Lead };

/**
 * Where a wire is put: under a screw, into a splice that is there, joined with another wire (or into the splice of that one), under a
 * connector alone, in the air. `unseen` says that nobody has looked.
 */
export type Put = { on: Terminal } | { into: JointId } | { with: LooseWire } | 'alone' | 'loose' | 'unseen';

/**
 * One thing about a wiring told otherwise. The same edits serve a wiring as found, as built, and a bench to practise on. What is unsound
 * (two wires on a screw, both ends of a cable in one box) is kept: it is found like that, and judged.
 */
export type WiringEdit =
  | { do: 'put'; wire: LooseWire; to: Put }
  /** A ground may be in its splice and, left long, go on to a screw. */
  | { do: 'loopGround'; end: End; on: Terminal }
  /** A piece of wire from a splice to a screw. */
  | { do: 'tail'; from: JointId; to: Terminal; colour: Hue | 'bare' }
  | { do: 'takeTail'; pigtail: PigtailId }
  | { do: 'mark'; end: End; colour: Mark['colour'] | null }
  /** Nobody has looked yet where its ends go. */
  | { do: 'bringIn'; cable: Cable }
  | { do: 'takeOut'; cable: CableId }
  /** The cable leads elsewhere; what was told of that end is forgotten. */
  | { do: 'lead'; cable: CableId; side: End['side']; to: Place }
  /** The cable is of another kind: conductors of the same colour keep their places, the others take those left over in order. */
  | { do: 'cableIs'; cable: CableId; article: ArticleId }
  /** The device of a box, or another one in its place: wires stay on screws of the same name, the others hang loose. */
  | { do: 'fit'; device: Device }
  | { do: 'remove'; device: DeviceId }
  | { do: 'boxIs'; box: BoxId; articles: ArticleId[] }
  | { do: 'luminaireIs'; luminaire: LuminaireId; article: ArticleId | null }
  | { do: 'connectors'; joint: JointId; connectors: Joint['connectors'] };

/** Why an edit of a wiring is refused; `edits/wiring/say.ts` has the words. */
export type WiringRefusal =
  | {
      why: 'notThere';
      what: 'cable' | 'conductor' | 'device' | 'screw' | 'splice' | 'tail' | 'luminaire' | 'article';
    }
  | { why: 'taken'; what: 'cable' | 'device' }
  /** The wire is in one box and the screw or splice in another. */
  | { why: 'otherBox'; wire: Place; to: Place }
  /** The end lies where nobody knows, so nothing can be said of what it is on. */
  | { why: 'nobodyKnowsWhere' }
  /** A lead of a device or luminaire comes with no screw. */
  | { why: 'leadOnScrew' }
  /** A piece of wire belongs to its splice, and goes to a screw or nowhere. */
  | { why: 'tailStays' }
  | { why: 'withItself' }
  /** Only a ground is in a splice and on a screw at once. */
  | { why: 'onlyGrounds'; colour: Colour }
  /** Green, bare and the metal of a raceway take no mark. */
  | { why: 'takesNoMark'; colour: Colour }
  /** What is in the panel is on a breaker or a bar; it is not spliced. */
  | { why: 'inPanel' }
  /** A cable from nowhere known to nowhere known. */
  | { why: 'nowhere' };

export type Edited = { ok: true; wiring: Wiring } | { ok: false; refusal: WiringRefusal };

export const done = (wiring: Wiring): Edited => ({ ok: true, wiring });
export const refused = (refusal: WiringRefusal): Edited => ({ ok: false, refusal });
