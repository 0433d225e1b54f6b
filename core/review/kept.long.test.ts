import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { CONDITION_IDS, judge } from '../caution';
import { Catalog } from '../repertoire';
import { demoBundle } from '../testing/demo';
import { must } from '../testing/studio';
import { reviewClass } from '.';

const LOW_BACKS = ['neutral', 'imprint'] as const;

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
const heapMB = (): number => {
  collect();
  return process.memoryUsage().heapUsed / 1e6;
};

test('five hundred variants of a method leave next to nothing behind', () => {
  const { exercises = [], props, positions, classes = [], method = {} } = demoBundle();
  const plan = must(classes.find(({ id }) => id === 'rowers-sixty'));
  const tried = (from: number, to: number) => {
    for (let i = from; i < to; i++) {
      const variant = {
        ...method,
        limits: { ...method.limits, homeHeat: 60 + i / 100 },
        choices: { ...method.choices, lowBack: LOW_BACKS[i % LOW_BACKS.length] },
      };
      const catalog = new Catalog({ exercises, props, positions, method: variant });
      reviewClass(catalog, plan, { today: '2026-11-30' });
      for (const entry of catalog.rungs.slice(0, 40)) judge(catalog, entry, CONDITION_IDS);
    }
  };
  tried(0, 20);
  const before = heapMB();
  tried(20, 520);
  expect(heapMB() - before).toBeLessThan(5);
}, 300_000);
