import { reviewBundle } from '@warm-ladder/core/formats';
import { dayOf, runHeadless, teacherIn } from './headless';

runHeadless({
  name: 'The review',
  usage: 'npm run --silent review -- FILE… (and --today YYYY-MM-DD, --teacher ID, --fixes)',
  options: { today: { type: 'string' }, teacher: { type: 'string' }, fixes: { type: 'boolean' } },
  answer(read, { today: asked, teacher, fixes }) {
    const today = dayOf(asked);
    const bundle = read();
    const document = reviewBundle(bundle, { today, teacher: teacherIn(bundle, teacher), fixes: fixes ?? false });
    const reviews = [...Object.values(document.classes), ...Object.values(document.series)];
    return { document, sound: !reviews.some(({ findings }) => findings.some(({ severity }) => severity === 'stop')) };
  },
});
