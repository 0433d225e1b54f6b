import { parseBrief, proposeBundle } from '@warm-ladder/core/formats';
import { briefIn, dayOf, runHeadless } from './headless';

runHeadless({
  name: 'Proposing',
  usage: 'npm run --silent propose -- FILE… --brief BRIEF.json (and --today YYYY-MM-DD)',
  options: { brief: { type: 'string' }, today: { type: 'string' } },
  answer(bundle, { brief, today }) {
    const document = proposeBundle(bundle, briefIn(brief, parseBrief), dayOf(today));
    return { document, sound: document.proposals.length > 0 };
  },
});
