import { studioOf } from '@warm-ladder/core/formats';
import { wholeTerm } from '@warm-ladder/core/handouts';
import { pagesOf } from '../handouts/handOut';
import { calendarOf } from '../series/calendarOf';
import { dayOf, keptIn, Refused, runHeadless, seriesIn } from './headless';

runHeadless({
  name: 'The calendar',
  usage:
    'npm run --silent calendar -- FILE… --as ics|pdf (and --series ID for one alone as ics, --from and --to YYYY-MM-DD for the pdf, --out FILE, --today YYYY-MM-DD)',
  options: {
    series: { type: 'string' },
    as: { type: 'string' },
    from: { type: 'string' },
    to: { type: 'string' },
    out: { type: 'string' },
    today: { type: 'string' },
  },
  async answer(read, { series: id, as = 'ics', from, to, out, today }) {
    if (as !== 'ics' && as !== 'pdf') throw new Refused(`“${as}” is no format of a calendar; expected ics or pdf.`);
    const studio = studioOf(read(), { today: dayOf(today) });
    if (as === 'ics') {
      const all = id === undefined ? studio.allSeries : [seriesIn(studio, id)];
      return { raw: keptIn(out, calendarOf(studio, all)), sound: true };
    }
    if (id !== undefined) throw new Refused('The pdf is of the whole term; leave out --series.');
    const sheet = wholeTerm(studio, { from: from && dayOf(from), to: to && dayOf(to) });
    return { raw: keptIn(out, await pagesOf([sheet], 'a4')), sound: true };
  },
});
