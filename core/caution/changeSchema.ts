import { z } from 'zod';
import { FEATURE_IDS } from '../vocabulary/bodies/features';
import { conditionSchema, sentenceSchema } from '../vocabulary/schemas';

/** What a rule asks when it speaks; see `VERDICTS`. */
const RULE_VERDICTS = ['adapt', 'swap', 'clear-first'] as const;

/**
 * A change the house makes to one rule of the table: the rule of a condition on a feature with a verdict gets another
 * limit or other advice, or is switched off; the reason is kept beside it.
 */
export const cautionChangeSchema = z
  .strictObject({
    condition: conditionSchema.describe('Whose rule it is'),
    feature: z.enum(FEATURE_IDS).describe('What of a rung the rule reads'),
    verdict: z.enum(RULE_VERDICTS).describe('Which of the rules on that feature'),
    over: z.number().min(0).max(3600).optional().describe('The limit above which it speaks, in the feature’s unit'),
    how: sentenceSchema.optional().describe('How to adapt, or what to take instead'),
    off: z.boolean().optional().describe('The house does not use this rule'),
    reason: sentenceSchema.describe('Why the house has changed it'),
  })
  .meta({ id: 'CautionChange', description: 'A rule of caution the house has changed, with the reason' });
export type CautionChange = z.infer<typeof cautionChangeSchema>;
