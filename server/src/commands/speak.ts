import { habitsSchema, parseHabits, speakBundle } from '@warm-ladder/core/formats';
import { srtFrom, vttFrom } from '@warm-ladder/core/handouts';
import { briefIn, dayOf, keptIn, Refused, runHeadless } from './headless';

runHeadless({
  name: 'The stand-in teacher',
  usage:
    'npm run --silent speak -- FILE… --class ID --as vtt|srt (and --habits HABITS.json, --seed N, --log LOG.json, --out FILE)',
  options: {
    class: { type: 'string' },
    as: { type: 'string' },
    habits: { type: 'string' },
    seed: { type: 'string' },
    log: { type: 'string' },
    out: { type: 'string' },
    today: { type: 'string' },
  },
  answer(read, { class: id, as = 'vtt', habits: file, seed = '1', log, out, today }) {
    if (id === undefined) throw new Refused('Name the class: --class ID.');
    if (as !== 'vtt' && as !== 'srt') throw new Refused(`“${as}” is no kind of captions; expected --as vtt or srt.`);
    if (!/^\d{1,9}$/.test(seed)) throw new Refused(`“${seed}” is no seed; expected --seed and a whole number.`);
    const habits = file === undefined ? habitsSchema.parse({}) : briefIn(file, parseHabits, 'habits');
    try {
      const spoken = speakBundle(read(), id, habits, Number(seed), dayOf(today));
      if (!spoken) throw new Refused(`There is no class “${id}” in these files; expected the id of one.`);
      if (log !== undefined) keptIn(log, `${JSON.stringify(spoken.log, null, 2)}\n`);
      return { raw: keptIn(out, as === 'vtt' ? vttFrom(spoken.cues) : srtFrom(spoken.cues)), sound: true };
    } catch (error) {
      throw error instanceof RangeError ? new Refused(error.message) : error;
    }
  },
});
