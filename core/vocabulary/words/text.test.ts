import { idSchema, nameSchema, noteSchema, plainText, sentenceSchema } from '../schemas';
import { asName, markupFault, nameFault } from './text';

test.each([
  '<b>',
  '</div>',
  '<img src=x onerror=alert(1)>',
  '<a href="x">',
  '<br/>',
  '<!-- x -->',
  'Low <script>x</script>',
])('%s is markup', (text) => expect(markupFault(text)).toMatch(/found markup/));
test.each(['a < b', '5 <6> 7', 'x <b then > y', 'knees < hips > ribs', '<3', 'if a<b and c>d'])('%s is prose', (text) =>
  expect(markupFault(text)).toBeUndefined(),
);

test('a name is one line in which everything can be seen; a sentence may have lines', () => {
  for (const unseen of ['Low\nleg', 'Low\u200bleg', 'Low\u2028leg', '\ufeffLow', 'Low\tleg', 'Lo\u00adw']) {
    expect(nameFault(`a${unseen}b`)).toMatch(/can’t be seen/);
    expect(nameSchema.safeParse(`a${unseen}b`).success).toBe(false);
    expect(nameFault(asName(`a${unseen}b`))).toBeUndefined();
  }
  expect(sentenceSchema.safeParse('One.\nTwo.').success).toBe(true);
  expect(nameSchema.safeParse('Leg lower 🪜 é').success).toBe(true);
  for (const schema of [nameSchema, noteSchema]) expect(schema.safeParse('a\uffffb').success).toBe(false);
  expect(asName('Low\nleg\u200b \uffff')).toBe('Low leg');
});

test('what is too long is looked at no further, and says so alone', () => {
  const looked = jest.fn(() => undefined);
  const short = plainText(1, 10, looked);
  expect(short.safeParse('x'.repeat(5_000)).error?.issues).toHaveLength(1);
  expect(short.safeParse(' '.repeat(5_000)).success).toBe(false);
  expect(looked).not.toHaveBeenCalled();
  expect(short.safeParse('  fine  ').data).toBe('fine');
  expect(idSchema.safeParse('<a'.repeat(5_000)).error?.issues).toHaveLength(1);
});
