import { parseBrief, proposeBundle } from '@warm-ladder/core/formats';
import { briefIn, dayOf, runHeadless } from './headless';

runHeadless({
  name: 'Proposing',
  usage: 'npm run --silent propose -- FILE… --brief BRIEF.json (and --today YYYY-MM-DD)',
  options: { brief: { type: 'string' }, today: { type: 'string' } },
  answer(read, { brief, today }) {
    const [asked, day] = [briefIn(brief, parseBrief), dayOf(today)];
    const document = proposeBundle(read(), asked, day);
    return { document, sound: document.proposals.length > 0 };
  },
});
