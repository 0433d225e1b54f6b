import { draftFromCaptions, takeBundle, UnreadableCaptions } from '@warm-ladder/core/formats';
import { dayOf, Refused, runHeadless, teacherIn, textOf } from './headless';

runHeadless({
  name: 'The take',
  usage: 'npm run --silent take -- CAPTIONS FILE… --class ID (or --draft; and --teacher ID, --date YYYY-MM-DD)',
  first: 'the captions',
  options: {
    class: { type: 'string' },
    draft: { type: 'boolean' },
    teacher: { type: 'string' },
    date: { type: 'string' },
    today: { type: 'string' },
  },
  answer(read, { class: id, draft = false, teacher, date, today }, file) {
    if (id === undefined && !draft)
      throw new Refused('Name the class: --class ID; or --draft for a plan read out of the captions.');
    const day = dayOf(date ?? today);
    const captions = textOf(file, 'captions');
    const bundle = read();
    try {
      if (draft || id === undefined) return { document: draftFromCaptions(bundle, captions), sound: true };
      const document = takeBundle(bundle, id, captions, { today: day, teacher: teacherIn(bundle, teacher) });
      if (!document) throw new Refused(`There is no class “${id}” in these files; expected the id of one.`);
      return { document, sound: true };
    } catch (error) {
      throw error instanceof UnreadableCaptions ? new Refused(`${file}, ${error.message}`) : error;
    }
  },
});
