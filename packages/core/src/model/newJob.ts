import type * as z from 'zod';
import type { Article } from './articles.js';
import type { JobId, WiringId } from './ids.js';
import { judgementSchema, type Judgement } from './judgement.js';
import {
  JOB_FORMAT,
  UNITS,
  boxSchema,
  circuitSchema,
  feedSchema,
  groupSchema,
  luminaireSchema,
  runFactSchema,
  slotSchema,
  type Job,
  type WiringDoc,
} from './job.js';
import { orderSchema } from './order.js';
import { labourSchema, type Labour } from './labour.js';
import { doorSchema, levelSchema, pictureSchema, roomSchema, routingSchema } from './place.js';
import { usualDefaults } from './shopDefaults.js';
import type { Wiring } from './wiring.js';

/** An empty job. Stock and labour units become the job's own: it keeps what it was planned and priced with. */
export const newJob = (
  id: JobId,
  name: string,
  stock: Article[],
  labour: Labour = labourSchema.parse({}),
  judgement: Judgement = judgementSchema.parse({}),
): Job => ({
  format: JOB_FORMAT,
  units: UNITS,
  id,
  name,
  edition: 2023,
  existingEdition: null,
  amendments: [],
  preferences: usualDefaults().preferences,
  routing: routingSchema.parse({}),
  labour,
  judgement,
  order: orderSchema.parse({}),
  stock,
  levels: [],
  rooms: [],
  doors: [],
  pictures: [],
  circuits: [],
  feeds: [],
  boxes: [],
  slots: [],
  luminaires: [],
  groups: [],
  runFacts: [],
  choices: [],
  wirings: [],
});

/** What is left out takes its default. Throws where a given figure is out of range: that is misuse. */
const completing =
  <S extends z.ZodType>(schema: S) =>
  (given: z.input<S>): z.output<S> =>
    schema.parse(given);

export const newBox = completing(boxSchema);
export const newSlot = completing(slotSchema);
/** What is taken of a luminaire until somebody says otherwise; all of it shown and editable. The load is volt-amperes. */
export const USUAL_LUMINAIRE = { va: 12, terminals: 'leads', leadAwg: 18, metal: true } as const;
export const newLuminaire = completing(luminaireSchema);
export const newGroup = completing(groupSchema);
export const newCircuit = completing(circuitSchema);
export const newFeed = completing(feedSchema);
export const newRoom = completing(roomSchema);
export const newDoor = completing(doorSchema);
export const newLevel = completing(levelSchema);
export const newPicture = completing(pictureSchema);
export const newRunFact = completing(runFactSchema);

/** A wiring with what says whose it is; nothing is said yet of how sure it is. */
export const newWiringDoc = (id: string, kind: WiringDoc['kind'], wiring: Wiring): WiringDoc => ({
  id: id as WiringId,
  kind,
  basedOn: null,
  certainty: {},
  assumedEnds: [],
  sizesFrom: {},
  carries: {},
  others: {},
  stands: { slots: [], luminaires: [] },
  wiring,
});
