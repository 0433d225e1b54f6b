import { z } from 'zod';

/** Names, notes and cues are plain text: a tag in one is a pasted page or an attack, and would be shown as litter. */
const MARKUP = /<\/?[a-z!][^>]*>/i;
// Control characters, and the two that turn the order of all that follows, so that a name reads as another.
// biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are exactly what is refused here.
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\u202d\u202e]/;

const plain = (max: number) =>
  z
    .string()
    .trim()
    .max(max)
    .refine((text) => !MARKUP.test(text), { message: 'expected plain text, found markup' })
    .refine((text) => !CONTROL.test(text), { message: 'expected plain text, found a control character' });

/** A name of one to 120 characters. */
export const nameSchema = plain(120).min(1);
/** A sentence or a short paragraph. */
export const sentenceSchema = plain(600).min(1);
/** An optional longer note; may be empty. */
export const noteSchema = plain(4000);
/** The key of a thing in the file: lower-case letters, digits and hyphens. */
export const idSchema = z
  .string()
  .max(64)
  .regex(/^[a-z0-9][a-z0-9-]*$/, { message: 'expected lower-case letters, digits and hyphens' })
  // The one such word that every JavaScript object answers to, though nobody gave it: a look-up by id would find it.
  .refine((id) => id !== 'constructor', { message: 'expected another word: “constructor” can’t be an id' });
