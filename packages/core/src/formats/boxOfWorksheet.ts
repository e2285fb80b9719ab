import { articleSchema, type BoxArticle } from '../model/articles.js';
import type { ArticleId, BoxId } from '../model/ids.js';
import type { Job } from '../model/job.js';
import { withOthersIn } from '../model/lying.js';
import { newBox } from '../model/newJob.js';
import { numbered } from '../edits/levels.js';
import type { Worksheet } from './worksheet.js';

/** What a worksheet does not tell of its box, and ids that nothing of the job has. */
export interface WorksheetBox {
  box: BoxId;
  article: ArticleId;
  metal: boolean;
}

/** The box of a worksheet with what is put on it, as one article found on site: it is not bought. */
const articleOfSheet = (
  { name, sections, contents }: Worksheet,
  { article, metal }: WorksheetBox,
): BoxArticle => {
  const gangs = contents.yokes.reduce((sum, one) => sum + one.gangs, 0);
  const volume = sections.reduce((sum, one) => sum + one.volume, 0);
  return articleSchema.parse({
    ...{ kind: 'box', id: article, price: 0, volume, metal, work: 'new', gangs: Math.min(8, gangs) },
    name: `${sections.map((one) => one.name).join(' with ')}, counted on the worksheet ${name}`.slice(0, 202),
    internalClamps: contents.internalClamps,
  }) as BoxArticle;
};

/**
 * A job with the box of a worksheet as one that is there, with all that was counted in it, under a name that no other box has; not placed yet.
 * Its fill is then reckoned by the edition of the job.
 */
export const withWorksheetBox = (job: Job, sheet: Worksheet, made: WorksheetBox): Job => {
  const box = newBox({
    ...{ id: made.box, article: made.article, work: 'existing', at: null, accessible: 'unknown' },
    mount: sheet.contents.yokes.length > 0 ? 'wall' : 'ceiling',
    name: numbered(
      sheet.name,
      job.boxes.map((one) => one.name),
    ),
  });
  return withOthersIn(
    { ...job, stock: [...job.stock, articleOfSheet(sheet, made)], boxes: [...job.boxes, box] },
    made.box,
    sheet.contents,
  );
};
