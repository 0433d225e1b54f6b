import { studioOf } from '@warm-ladder/core/formats';
import { type Consequent, couldTake, reviewSeries, type SeriesEdit, whatIf } from '@warm-ladder/core/series';
import { dayOf, Refused, runHeadless, seriesIn } from './headless';

const written = ({ code, severity, episode, ids, message }: Consequent) => ({
  code,
  severity,
  episode: episode + 1,
  ids,
  message,
});

runHeadless({
  name: 'What would break',
  usage:
    'npm run --silent what-if -- FILE… --series ID --episode N (and one of --leave-out, --move-to N, --swap-with N, --next; and --today YYYY-MM-DD)',
  options: {
    series: { type: 'string' },
    episode: { type: 'string' },
    'leave-out': { type: 'boolean' },
    'move-to': { type: 'string' },
    'swap-with': { type: 'string' },
    next: { type: 'boolean' },
    today: { type: 'string' },
  },
  answer(read, values) {
    const asked = { today: dayOf(values.today) };
    const { next, 'leave-out': leaveOut, 'move-to': moveTo, 'swap-with': swapWith } = values;
    const questions = [next, leaveOut, moveTo, swapWith].filter((each) => each !== undefined);
    if (questions.length !== 1) throw new Refused('Ask one thing: --leave-out, --move-to N, --swap-with N or --next.');
    const studio = studioOf(read(), asked);
    const series = seriesIn(studio, values.series);
    const count = series.episodes.length;
    const place = (text: string | undefined, option: string, most: number) => {
      const number = Number(text);
      if (Number.isInteger(number) && number >= 1 && number <= most) return number - 1;
      throw new Refused(`“${text ?? ''}” is no episode of “${series.id}”; expected --${option} from 1 to ${most}.`);
    };
    if (next) {
      // One past the last: the episode that is still to come.
      const found = couldTake(studio, series, place(values.episode, 'episode', count + 1));
      const document = found.map(({ entry, as, lacks }) => ({ rung: entry.key, as, lacks }));
      return { document: { next: document }, sound: document.length > 0 };
    }
    const episode = place(values.episode, 'episode', count);
    const edit: SeriesEdit =
      moveTo !== undefined
        ? { kind: 'move', episode, to: place(moveTo, 'move-to', count) }
        : swapWith !== undefined
          ? { kind: 'swap', one: episode, other: place(swapWith, 'swap-with', count) }
          : { kind: 'remove', episode };
    const { broken, mended, counts } = whatIf(studio, series, reviewSeries(studio, series, asked), [edit], asked);
    const document = { broken: broken.map(written), mended: mended.map(written), counts };
    return { document, sound: broken.every(({ severity }) => severity === 'look') };
  },
});
