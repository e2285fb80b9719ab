import type { ArticleId } from '../model/ids.js';
import type { CableArticle } from '../model/articles.js';
import { cableArticleSchema } from '../model/articles.js';
import type { InsulatedColour } from '../model/colours.js';
import type { Job } from '../model/job.js';
import { colourWord } from '../words/wires.js';

/** A cable, or the conductors of a raceway, as somebody found it. */
export type FoundCable = Pick<CableArticle, 'awg' | 'insulated' | 'ground' | 'metal' | 'sheath'>;

const METAL: Record<CableArticle['metal'], string> = {
  copper: '',
  aluminium: 'aluminium',
  copperClad: 'copper-clad aluminium',
  unknown: 'of a metal nobody recognised',
};
const SHEATH: Record<CableArticle['sheath'], string> = {
  nonmetallic: '',
  armored: 'armored',
  raceway: 'in a raceway',
  cloth: 'cloth-covered',
  knobAndTube: 'knob-and-tube',
  unknown: 'of a kind nobody recognised',
};
const GROUND: Record<CableArticle['ground'], string> = {
  bare: '',
  green: 'green ground',
  raceway: 'grounded by the raceway',
  none: 'no ground',
};

/** "14 AWG black, black 2, white; no ground, cloth-covered". */
export const foundName = ({ awg, insulated, ground, metal, sheath }: FoundCable): string => {
  const more = [GROUND[ground], METAL[metal], SHEATH[sheath]].filter((one) => one !== '').join(', ');
  return `${awg} AWG ${insulated.map(colourWord).join(', ')}${more === '' ? '' : `; ${more}`}`;
};

/** Colours that were picked one by one: those met again get a number. At most three are alike. */
export const numbered = (hues: readonly string[]): InsulatedColour[] | null => {
  const counts = new Map<string, number>();
  const named = hues.map((hue) => {
    const nth = (counts.get(hue) ?? 0) + 1;
    counts.set(hue, nth);
    return nth === 1 ? hue : `${hue}-${nth}`;
  });
  return [...counts.values()].some((count) => count > 3) ? null : (named as InsulatedColour[]);
};

/** The article of a cable as found, and the job whose stock has it: it is reused where it lies, and never bought. */
export const withFoundCable = (job: Job, found: FoundCable): { job: Job; article: ArticleId } => {
  const { awg, insulated, ground, metal, sheath } = found;
  const same = job.stock.find(
    (one) =>
      one.kind === 'cable' &&
      one.found &&
      one.awg === awg &&
      one.insulated.join() === insulated.join() &&
      one.ground === ground &&
      one.metal === metal &&
      one.sheath === sheath,
  );
  if (same) return { job, article: same.id };
  const id = `found:${awg}-${insulated.join('.')}-${ground}-${metal}-${sheath}` as ArticleId;
  const article = cableArticleSchema.parse({
    ...found,
    id,
    kind: 'cable',
    name: foundName(found),
    found: true,
  });
  return { job: { ...job, stock: [...job.stock, article] }, article: id };
};
