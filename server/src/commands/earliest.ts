import { studioOf } from '@warm-ladder/core/formats';
import { earliest } from '@warm-ladder/core/series';
import { dayOf, Refused, runHeadless, seriesIn } from './headless';

runHeadless({
  name: 'The earliest episode',
  usage: 'npm run --silent earliest -- FILE… --series ID --rung EXERCISE/RUNG (and --today YYYY-MM-DD)',
  options: { series: { type: 'string' }, rung: { type: 'string' }, today: { type: 'string' } },
  answer(read, { series: id, rung, today }) {
    if (rung === undefined) throw new Refused('Name the rung: --rung EXERCISE/RUNG.');
    const asked = { today: dayOf(today) };
    const studio = studioOf(read(), asked);
    const series = seriesIn(studio, id);
    const goal = studio.catalog.rungByKey(rung);
    if (!goal) throw new Refused(`There is no rung “${rung}” in these files; expected EXERCISE/RUNG.`);
    const document = earliest(studio, series, goal);
    return { document, sound: document.earliest !== null };
  },
});
