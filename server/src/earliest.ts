import { studioOf } from '@warm-ladder/core/formats';
import { earliest } from '@warm-ladder/core/series';
import { dayOf, Refused, runHeadless, seriesIn } from './headless';

runHeadless({
  name: 'The earliest episode',
  usage: 'npm run --silent earliest -- FILE… --series ID --rung EXERCISE/RUNG (and --today YYYY-MM-DD)',
  options: { series: { type: 'string' }, rung: { type: 'string' }, today: { type: 'string' } },
  answer(bundle, { series: id, rung, today }) {
    const studio = studioOf(bundle, { today: dayOf(today) });
    const series = seriesIn(studio, id);
    if (rung === undefined) throw new Refused('Name the rung: --rung EXERCISE/RUNG.');
    const goal = studio.catalog.rungByKey(rung);
    if (!goal) throw new Refused(`There is no rung “${rung}” in these files; expected EXERCISE/RUNG.`);
    const document = earliest(studio, series, goal);
    return { document, sound: document.earliest !== null };
  },
});
