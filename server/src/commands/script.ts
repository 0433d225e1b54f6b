import { studioOf } from '@warm-ladder/core/formats';
import {
  HANDOUT_FORMAT_IDS,
  HANDOUT_SHEET_IDS,
  type HandoutFormat,
  type HandoutSheet,
  spokenIn,
} from '@warm-ladder/core/handouts';
import { handOut } from '../handouts/handOut';
import { dayOf, keptIn, Refused, runHeadless } from './headless';

const isFormat = (name: string): name is HandoutFormat => HANDOUT_FORMAT_IDS.some((each) => each === name);

type Flagged = Exclude<HandoutSheet, 'script'>;
/** Each sheet but the script itself by a flag of its own. */
const SHEET_FLAGS = HANDOUT_SHEET_IDS.filter((sheet): sheet is Flagged => sheet !== 'script');
const FLAG_OPTIONS = Object.fromEntries(SHEET_FLAGS.map((sheet) => [sheet, { type: 'boolean' }])) as Readonly<
  Record<Flagged, { readonly type: 'boolean' }>
>;

runHeadless({
  name: 'The script',
  usage: `npm run --silent script -- FILE… --class ID (and --as ${HANDOUT_FORMAT_IDS.join('|')}, ${SHEET_FLAGS.map((sheet) => `--${sheet}`).join(', ')}, --short, --out FILE, --today YYYY-MM-DD, --teacher ID)`,
  options: {
    class: { type: 'string' },
    as: { type: 'string' },
    ...FLAG_OPTIONS,
    short: { type: 'boolean' },
    out: { type: 'string' },
    today: { type: 'string' },
    teacher: { type: 'string' },
  },
  async answer(read, { class: id, as = 'json', short, out, today, teacher, ...flags }) {
    if (id === undefined) throw new Refused('Name the class: --class ID.');
    if (!isFormat(as)) throw new Refused(`“${as}” is no format; expected one of ${HANDOUT_FORMAT_IDS.join(', ')}.`);
    const day = dayOf(today);
    const bundle = read();
    if (teacher !== undefined && !bundle.teachers?.some((each) => each.id === teacher)) {
      throw new Refused(`There is no teacher “${teacher}” in these files; expected the id of one.`);
    }
    const studio = studioOf(bundle, { today: day, teacher });
    const spoken = spokenIn(studio, id, short ? 'short' : 'whole');
    if (!spoken && short && studio.classOf(id)) {
      throw new Refused(`The class “${id}” has no short form; expected blocks that it leaves out.`);
    }
    if (!spoken) throw new Refused(`There is no class “${id}” in these files; expected the id of one.`);
    const made = await handOut(spoken, { as, sheet: SHEET_FLAGS.find((sheet) => flags[sheet]) ?? 'script' });
    return { raw: keptIn(out, made), sound: true };
  },
});
