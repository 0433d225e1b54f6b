import { startRanges } from '../plan';
import { craftWords, rangeWords, remediesFor, reviewClass } from '../review';
import { CASES, review } from '../testing/cases/ruleCases';
import { DAY, line, lines, planOf, rows, studio } from './recorded';

// What the review says, held by value: a change here is seen by directors. Look at the difference; if it is meant,
// `npm run test:core -- recorded -u`.

const told = ({ code, severity, ids, value, limit, unit, message }: ReturnType<typeof review>['findings'][number]) =>
  `${code} ${severity} ${line({ ids, value, limit, unit })} ${message}`;

test('what each rule finds just beyond its limit, and what it advises', () => {
  const record = Object.entries(CASES).flatMap(([code, { beyond }]) => {
    const reviewed = review(beyond);
    return reviewed.findings
      .filter((finding) => finding.code === code)
      .flatMap((finding) => [
        told(finding),
        ...remediesFor(reviewed, finding).map(({ label, edits }) => `  ${label}: ${line(edits)}`),
      ]);
  });
  expect(lines(record)).toMatchSnapshot();
});

test('what the whole review says of each rule’s class: measures that are not nothing, and the parts of the score', () => {
  const record = Object.entries(CASES).map(([code, { beyond }]) => {
    const { measures, score } = review(beyond);
    const some = (record: object) => Object.fromEntries(Object.entries(record).filter(([, value]) => value !== 0));
    return `${code} ${line(some(measures))} ${line(some(score.parts))}`;
  });
  expect(lines(record)).toMatchSnapshot();
});

test.each(['rowers-sixty', 'choir-first-draft', 'potters-forearms', 'regulars-layers'])('%s, measured', (id) => {
  const plan = planOf(id);
  const { timed, measures, score, findings, subject } = reviewClass(studio.catalog, plan, studio.contextOf(plan));
  const { seconds, parts, range, positions, directions, sides, sequence } = timed;
  const begins = startRanges(sequence, parts.opening, studio.catalog.method.uncertainty);
  expect(
    lines([
      `${DAY}: ${rangeWords(timed)}`,
      ...rows({ seconds, parts, range, positions, directions, sides }),
      ...rows(measures),
      ...rows(score),
      ...craftWords(subject).map((word) => line(word)),
      ...sequence.map((each, i) => `${each.block.id} ${line([each.startSeconds, each.seconds, begins[i]])}`),
      ...findings.map(told),
    ]),
  ).toMatchSnapshot();
});
