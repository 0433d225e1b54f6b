import { NoMoment, replanBundle } from '@warm-ladder/core/formats';
import { dayOf, Refused, runHeadless, teacherIn } from './headless';

/** Ten hours: no class is longer. */
const MOST_SECONDS = 36_000;

runHeadless({
  name: 'Replanning',
  usage:
    'npm run --silent replan -- FILE… --class ID --at BLOCK --elapsed SECONDS (and --pass 2, --late SECONDS, --done b1,b2/1, --teacher ID, --today YYYY-MM-DD)',
  options: {
    class: { type: 'string' },
    at: { type: 'string' },
    pass: { type: 'string' },
    elapsed: { type: 'string' },
    late: { type: 'string' },
    done: { type: 'string' },
    teacher: { type: 'string' },
    today: { type: 'string' },
  },
  answer(read, { class: id, at, pass = '1', elapsed, late = '0', done, teacher, today }) {
    if (id === undefined) throw new Refused('Name the class: --class ID.');
    if (at === undefined) throw new Refused('Name the block it stands at: --at BLOCK.');
    if (pass !== '1' && pass !== '2') throw new Refused(`“${pass}” is no side of a block; expected --pass 1 or 2.`);
    const moment = {
      block: at,
      pass: pass === '2' ? (2 as const) : (1 as const),
      elapsed: secondsOf('elapsed', elapsed),
      late: secondsOf('late', late),
      done: done?.split(',').filter((each) => each !== ''),
    };
    const bundle = read();
    const asked = { today: dayOf(today), teacher: teacherIn(bundle, teacher) };
    try {
      const answer = replanBundle(bundle, id, moment, asked);
      if (!answer) throw new Refused(`There is no class “${id}” in these files; expected the id of one.`);
      return { document: answer.document, sound: answer.ends };
    } catch (error) {
      throw error instanceof NoMoment ? new Refused(error.message) : error;
    }
  },
});

/** @throws Refused for what is no number of seconds of a class */
function secondsOf(option: string, text: string | undefined): number {
  const seconds = text === undefined || text.trim() === '' ? Number.NaN : Number(text);
  if (seconds >= 0 && seconds <= MOST_SECONDS) return seconds;
  throw new Refused(`“${text ?? ''}” is no number of seconds; expected --${option} from 0 to ${MOST_SECONDS}.`);
}
