import * as z from 'zod';
import { boxIdSchema, circuitIdSchema, roomIdSchema } from './ids.js';

/** Where an amendment of the local authority applies: the whole job, or one room, circuit or box of it. */
export const scopeSchema = z.union([
  z.literal('job'),
  z.strictObject({ room: roomIdSchema }),
  z.strictObject({ circuit: circuitIdSchema }),
  z.strictObject({ box: boxIdSchema }),
]);
export type Scope = z.infer<typeof scopeSchema>;

const severities = ['violation', 'caution', 'verify'] as const;
const common = {
  id: z.string().min(1).max(200),
  scope: scopeSchema.default('job'),
};

/**
 * What the local authority asks beside the code, or judges otherwise. The user's own: a rule with a text, or another
 * severity for a rule of the program, with a note why. `waived` findings stay in sight.
 */
export const amendmentSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...common,
    kind: z.literal('rule'),
    severity: z.enum(severities),
    title: z.string().trim().min(1).max(200),
    text: z.string().trim().min(1).max(2000),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('severity'),
    rule: z.string().min(1).max(100),
    severity: z.enum([...severities, 'waived']),
    note: z.string().trim().min(1).max(2000),
  }),
]);
export type Amendment = z.infer<typeof amendmentSchema>;
