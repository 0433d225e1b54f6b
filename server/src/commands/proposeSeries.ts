import { parseSeriesBrief, proposeSeriesBundle } from '@warm-ladder/core/formats';
import { briefIn, dayOf, runHeadless } from './headless';

runHeadless({
  name: 'Proposing a series',
  usage: 'npm run --silent propose-series -- FILE… --brief BRIEF.json (and --today YYYY-MM-DD)',
  options: { brief: { type: 'string' }, today: { type: 'string' } },
  answer(read, { brief, today }) {
    const [asked, day] = [briefIn(brief, parseSeriesBrief), dayOf(today)];
    const document = proposeSeriesBundle(read(), asked, day);
    return { document, sound: document.proposals.length > 0 };
  },
});
