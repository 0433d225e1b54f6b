import { fixesFor, givesFor, groundOf, keptIn, keptText, levelled, mend, toTime } from '../mend';
import { findingsOf, measureClass } from '../review';
import { DAY, line, lines, planOf, studio } from './recorded';

// How the drafts of the demo are mended, held by value: see judgement.test.ts.

const { catalog } = studio;
test('the ways to mend each finding of a draft, in their order', () => {
  const plan = planOf('rowers-quick-draft');
  const context = studio.contextOf(plan);
  const measure = measureClass(catalog, plan, context);
  const record = findingsOf(measure).flatMap((finding) => [
    `${finding.code} ${line(finding.ids)}`,
    ...fixesFor(catalog, measure, finding, context).map(({ label, after }) => `  ${label} ${line(after)}`),
  ]);
  expect(lines([DAY, ...record])).toMatchSnapshot();
});

test('a draft mended, step by step', () => {
  const plan = planOf('choir-first-draft');
  const context = studio.contextOf(plan);
  const { plan: mended, steps, left, why } = mend(catalog, plan, context);
  const record = [
    ...steps.map(({ code, label, before, after }) => `${code}: ${label} ${line([before, after])}`),
    ...mended.blocks.map((block) => line(block)),
    keptText(keptIn(measureClass(catalog, plan, context), mended)),
    left,
    ...why,
  ];
  expect(lines(record)).toMatchSnapshot();
});

test('a class is brought to another length, told what may go, and given levels', () => {
  const record = ['night-slow', 'open-evening', 'regulars-side'].flatMap((id) => {
    const plan = planOf(id);
    const longer = { ...plan, targetMinutes: plan.targetMinutes + 3 };
    const context = studio.contextOf(plan);
    const measure = measureClass(catalog, longer, context);
    const without = measureClass(
      catalog,
      { ...plan, blocks: plan.blocks.map(({ give: _, ...block }) => block) },
      context,
    );
    const { edits, told, why, seconds } = levelled(catalog, measure, context);
    return [
      id,
      line(toTime(groundOf(catalog, measure, context))),
      line(givesFor(catalog, without, context)),
      line([edits.length, why, seconds]),
      ...told,
    ];
  });
  expect(lines(record)).toMatchSnapshot();
});
