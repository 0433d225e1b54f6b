import { timeClass } from '../plan';
import { block, catalogOf, classOf, must } from '../testing/studio';
import { checkLog, logByHand, withBlockNote, withDeed, withFault, withOption } from '.';
import { logSchema } from './logSchema';
import { paceOf } from './pace';

const catalog = catalogOf();
const plan = classOf([block('hold/high', { mode: 'teach' }), block('curl'), block('march')]);
const log = logByHand(timeClass(catalog, plan), {
  id: 'log-1',
  date: '2027-01-11',
  teacher: { id: 't1', name: 'Tam' },
});

test('a class logged by hand went as planned but for what is said, and stays a log that can be kept', () => {
  let said = withDeed(log, 'b2', 'skipped');
  said = withDeed(said, 'b3', { rung: 'march/high' });
  said = withOption(withOption(said, 'b1', 'low', 4), 'b1', 'low', 5);
  said = withFault(withFault(withFault(said, 'b1', 'c7', true), 'b1', 'c8', true), 'b1', 'c8', false);
  said = withBlockNote(said, 'b1', 'The room was cold.');
  expect(said.blocks).toEqual([
    { id: 'b1', did: 'planned', options: { low: 5 }, faults: ['c7'], note: 'The room was cold.' },
    { id: 'b2', did: 'skipped' },
    { id: 'b3', did: 'other', rung: 'march/high' },
  ]);
  expect(logSchema.safeParse(said).error?.issues ?? []).toEqual([]);
  expect(checkLog(said, plan)).toEqual([]);
  // Taken back, it is as it was, but for what somebody has looked for.
  const back = withBlockNote(
    withOption(withDeed(withDeed(said, 'b2', 'planned'), 'b3', 'planned'), 'b1', 'low', 0),
    'b1',
    '',
  );
  expect(back.blocks).toEqual(must(log.blocks).map((each) => (each.id === 'b1' ? { ...each, faults: ['c7'] } : each)));
});

test('what nobody measured teaches no pace', () => {
  const pace = paceOf([log], { id: 't1' }, catalog.method);
  expect([pace.classes, pace.kinds]).toEqual([1, {}]);
});
