import { paceBundle } from '@warm-ladder/core/formats';
import { Refused, runHeadless } from './headless';

runHeadless({
  name: 'The pace',
  usage: 'npm run --silent pace -- FILE… --teacher ID',
  options: { teacher: { type: 'string' } },
  answer(read, { teacher }) {
    if (teacher === undefined) throw new Refused('Name the teacher: --teacher ID.');
    const document = paceBundle(read(), teacher);
    if (!document) throw new Refused(`There is no teacher “${teacher}” in these files; expected the id of one.`);
    return { document, sound: true };
  },
});
