import { applyEdits, type Block, type ClassPlan } from '../plan';
import { wordsOf } from '../testing/cases/ruleCases';
import { block, catalogOf, classOf, must, type Unnamed } from '../testing/studio';
import { remediesFor, reviewClass } from './reviewClass';

const catalog = catalogOf();
const pause = (more: object): Unnamed<Block> =>
  ({ interlude: 'talk', name: 'Why', seconds: 20, ...more }) as Unnamed<Block>;
const found = (plan: ClassPlan) => reviewClass(catalog, plan).findings.filter(({ code }) => code === 'WORDS_LONG');

/** Words of 12 s for what is given 10 s are left to whoever speaks; those of more are found. At 140 a minute. */
const PLACES: Readonly<Record<string, (words: string[]) => ClassPlan>> = {
  'an opening': (openingWords) => classOf([block('hold')], { openingSeconds: 10, openingWords }),
  'a closing': (closingWords) => classOf([block('hold')], { closingSeconds: 10, closingWords }),
  'a talk': (words) => classOf([pause({ seconds: 10, words }), block('hold')]),
  'a check': (words) => classOf([pause({ interlude: 'check', seconds: 10, words }), block('hold')]),
  'a set-up': (words) =>
    classOf([
      block('hold', {
        setupSeconds: 10,
        lines: words.map((text, i) => ({ id: `l${i}`, kind: 'setup' as const, text })),
      }),
    ]),
};

test.each(Object.entries(PLACES))(
  '%s shorter than its words is found, by how much, with what would mend it',
  (_name, planned) => {
    expect(found(planned([wordsOf(28)]))).toEqual([]);
    // 21 and 14 words: 15 s.
    const plan = planned([wordsOf(21), `Then ${wordsOf(13)}`]);
    const [told, ...others] = found(plan);
    expect(others).toEqual([]);
    expect(must(told)).toMatchObject({ severity: 'look', limit: 10, unit: 's' });
    expect(must(told).value).toBeCloseTo(15, 9);
    const review = reviewClass(catalog, plan);
    const fixes = remediesFor(review, must(review.findings.find(({ code }) => code === 'WORDS_LONG')));
    expect(fixes.map(({ label }) => label)).toEqual(['Give it 15 s', `Leave out “Then ${wordsOf(13)}”`]);
    for (const { edits } of fixes) expect(found(applyEdits(catalog, plan, edits))).toEqual([]);
  },
);

test('a long one is held to a tenth: 66 s of words in a minute are silent, 67 s are not', () => {
  const plan = (words: number) => classOf([block('hold')], { openingSeconds: 60, openingWords: [wordsOf(words)] });
  expect(found(plan(154))).toEqual([]);
  expect(found(plan(156))).toHaveLength(1);
});

test('one sentence that can’t be left out without leaving nothing is only given its time', () => {
  const plan = classOf([pause({ seconds: 3, words: [wordsOf(70)] }), block('hold')]);
  const review = reviewClass(catalog, plan);
  const fixes = remediesFor(review, must(review.findings.find(({ code }) => code === 'WORDS_LONG')));
  expect(fixes.map(({ label }) => label)).toEqual(['Give it 30 s']);
});
