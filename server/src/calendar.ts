import { studioOf } from '@warm-ladder/core/formats';
import { dayOf, keptIn, Refused, runHeadless, seriesIn } from './headless';
import { calendarOf } from './series/calendarOf';

runHeadless({
  name: 'The calendar',
  usage: 'npm run --silent calendar -- FILE… --series ID --as ics (and --out FILE, --today YYYY-MM-DD)',
  options: {
    series: { type: 'string' },
    as: { type: 'string' },
    out: { type: 'string' },
    today: { type: 'string' },
  },
  answer(read, { series: id, as = 'ics', out, today }) {
    if (as !== 'ics') throw new Refused(`“${as}” is no format of a calendar; expected ics.`);
    const asked = { today: dayOf(today) };
    const studio = studioOf(read(), asked);
    return { raw: keptIn(out, calendarOf(studio, seriesIn(studio, id))), sound: true };
  },
});
