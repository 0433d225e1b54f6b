import { type Bundle, Documents, emptyBundle } from '@warm-ladder/core/formats';
import { classOf } from '@warm-ladder/core/testing';
import fc from 'fast-check';
import { LARGEST_FILE, LARGEST_STUDIO } from '../routes/limits';
import { Snapshot } from './snapshot';

/** What stands between the documents of a file, and the lists' own names. */
const BETWEEN = 4;
const LISTS = 400;

test('a file has at most two bytes for each character of its studio, in any script: what is kept can be taken in again', () => {
  const text = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 });
  fc.assert(
    fc.property(fc.array(text, { maxLength: 20 }), (notes) => {
      const classes = notes.map((each, i) => classOf([], { id: `c${i}`, notes: each }));
      const bundle: Bundle = { ...emptyBundle(), classes };
      const snapshot = new Snapshot(Documents.of(bundle), new Map(), 1);
      const bytes = Buffer.byteLength(snapshot.fileText);
      expect(bytes).toBeLessThanOrEqual(2 * snapshot.size + BETWEEN * classes.length + LISTS);
      expect(JSON.parse(snapshot.fileText)).toMatchObject({ classes: JSON.parse(JSON.stringify(classes)) });
    }),
  );
  expect(2 * LARGEST_STUDIO + BETWEEN * 100_000 + LISTS).toBeLessThan(LARGEST_FILE);
});
