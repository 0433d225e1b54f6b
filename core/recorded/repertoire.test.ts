import { CONDITION_IDS, judge } from '../caution';
import { rungScene, svgOf } from '../figure';
import { directionsSeen, meanLoad } from '../repertoire';
import { line, lines, studio } from './recorded';

// What is measured and drawn of the house's rungs, held by value: see judgement.test.ts.

const { catalog } = studio;
const some = (values: object) => Object.fromEntries(Object.entries(values).filter(([, value]) => value !== 0));
const every = (nth: number) => catalog.rungs.filter((_, i) => i % nth === 0);

test('the heat of every rung and what it is made of, its loads and its directions', () => {
  const record = catalog.rungs.map((entry) => {
    const { heat, factors, load } = catalog.measures(entry);
    const mean = meanLoad(catalog.course(entry).rep);
    return `${entry.key} ${line([heat, some(factors), some(load), some(mean), directionsSeen(catalog, entry).seen])}`;
  });
  expect(lines(record)).toMatchSnapshot();
});

test('what every fifth rung asks of people with each condition', () => {
  const record = every(5).map((entry) => {
    const verdicts = CONDITION_IDS.flatMap((condition) => {
      const { verdict } = judge(catalog, entry, [condition]);
      return verdict === 'fine' ? [] : [`${condition} ${verdict}`];
    });
    return `${entry.key} ${verdicts.join(', ')}`;
  });
  expect(lines(record)).toMatchSnapshot();
});

test('how every thirtieth rung is drawn', () => {
  const record = every(30).map((entry) => {
    const scene = rungScene(entry);
    return `${entry.key} ${scene ? svgOf(scene, entry.rung.name) : 'nothing'}`;
  });
  expect(lines(record)).toMatchSnapshot();
});
