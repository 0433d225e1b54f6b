import { mendBundle } from '@warm-ladder/core/formats';
import { dayOf, Refused, runHeadless } from './headless';

runHeadless({
  name: 'Mending',
  usage: 'npm run --silent mend -- FILE… --class ID (and --looks, --today YYYY-MM-DD)',
  options: { class: { type: 'string' }, looks: { type: 'boolean' }, today: { type: 'string' } },
  answer(read, { class: id, today, looks = false }) {
    if (id === undefined) throw new Refused('Name the class to mend: --class ID.');
    const day = dayOf(today);
    const document = mendBundle(read(), id, day, looks);
    if (!document) throw new Refused(`There is no class “${id}” in these files; expected the id of one.`);
    return { document, sound: document.left.stop + document.left.fix === 0 };
  },
});
