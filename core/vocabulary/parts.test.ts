import fc from 'fast-check';
import { withParts, withPartsOrNone } from './parts';

const parts = fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.option(fc.integer(), { nil: undefined }));

test('what is set stands, what is undefined is gone, and the rest stays as it was', () => {
  fc.assert(
    fc.property(fc.dictionary(fc.constantFrom('a', 'b', 'c'), fc.integer()), parts, (whole, change) => {
      const before = { ...whole };
      const made = withParts<Record<string, number | undefined>>(whole, change);
      for (const key of ['a', 'b', 'c']) {
        expect(made[key]).toBe(key in change ? change[key] : whole[key]);
        expect(key in made).toBe(made[key] !== undefined);
      }
      expect(whole).toEqual(before);
      const left = withPartsOrNone<Record<string, number | undefined>>(whole, change);
      expect(left).toEqual(Object.keys(made).length > 0 ? made : undefined);
    }),
  );
});
