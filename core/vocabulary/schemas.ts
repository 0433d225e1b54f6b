import { z } from 'zod';
import { DIRECTIONS } from './bodies/direction';
import { SIDES } from './bodies/side';
import { CONDITION_IDS } from './words/condition';
import { markupFault, nameFault, TEXTS, type TextKind } from './words/text';

/**
 * Plain text of some length, in characters. Its length is looked at first: what is too long is not looked at further.
 * @param fault what else keeps a text from being kept
 */
export const plainText = (least: number, most: number, fault: (text: string) => string | undefined = markupFault) => {
  // Untrimmed first: spaces in millions are not worth taking off.
  const text = z
    .string()
    .max(most + SPACES, { abort: true, error: `Too big: expected string to have <=${most} characters` })
    .trim()
    .max(most, { abort: true })
    .superRefine((found, context) => {
      const message = fault(found);
      if (message) context.addIssue({ code: 'custom', message });
    });
  return least > 0 ? text.min(least) : text;
};
/** Spaces around a text that are taken off. */
const SPACES = 1000;
const plain = (kind: TextKind) => {
  const [least, most] = TEXTS[kind];
  return plainText(least, most, kind === 'name' ? nameFault : markupFault);
};

/** A name of one to 120 characters. */
export const nameSchema = plain('name');
/** A sentence or a short paragraph. */
export const sentenceSchema = plain('sentence');
/** An optional longer note; may be empty. */
export const noteSchema = plain('note');
/** The key of a thing in the file: lower-case letters, digits and hyphens. */
export const idSchema = z
  .string()
  .max(64, { abort: true })
  .regex(/^[a-z0-9][a-z0-9-]*$/, { message: 'expected lower-case letters, digits and hyphens' })
  // The one such word that every JavaScript object answers to, though nobody gave it: a look-up by id would find it.
  .refine((id) => id !== 'constructor', { message: 'expected another word: “constructor” can’t be an id' });

/** A rung by its exercise and its own id, as one word. @example 'leg-lower/bent' */
export const rungKeySchema = z
  .string()
  .max(129, { abort: true })
  .regex(/^[a-z0-9][a-z0-9-]*\/[a-z0-9][a-z0-9-]*$/, { message: 'expected exercise/rung' });

export const sideSchema = z.enum(SIDES);
export const directionSchema = z.enum(DIRECTIONS).meta({ id: 'Direction', description: 'What the spine does' });
export const conditionSchema = z
  .enum(CONDITION_IDS)
  .meta({ id: 'Condition', description: 'What people bring that a rung is held against' });

/** The studio's simple finger-width check along the middle of the belly: when, what was felt, and who did it. */
export const abdominalCheckSchema = z
  .strictObject({
    date: z.iso.date().describe('The day of the check, YYYY-MM-DD'),
    fingers: z.number().min(0).max(8).describe('Width of the gap in finger-widths'),
    doming: z.boolean().optional().describe('Whether the middle domed as the head came up'),
    mark: z
      .string()
      .regex(/^[A-Z]$/, { message: 'expected one letter, A to Z: a mark tells people apart and names nobody' })
      .optional()
      .describe('Of whom: a neutral letter, A to Z; all checks without one are of one person'),
    checkedBy: nameSchema.describe('Who did it'),
    note: noteSchema.optional().describe('What else was seen'),
  })
  .meta({ id: 'AbdominalCheck', description: 'A finger-width check along the middle of the belly' });
export type AbdominalCheck = z.infer<typeof abdominalCheckSchema>;
