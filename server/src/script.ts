import { writeFileSync } from 'node:fs';
import { studioOf } from '@warm-ladder/core/formats';
import {
  type Handout,
  markdownOf,
  oneSheet,
  planCsv,
  roomCardHandout,
  type SpokenClass,
  scriptDocument,
  scriptHandout,
  spokenIn,
  srtOf,
  vttOf,
} from '@warm-ladder/core/handouts';
import { docxOf } from './handouts/docx';
import { pdfOf } from './handouts/pdf';
import { dayOf, Refused, runHeadless } from './headless';

/** What a class is written as. */
const FORMATS: Readonly<Record<string, (spoken: SpokenClass, sheet: Handout) => string | Promise<Buffer>>> = {
  md: (_spoken, sheet) => markdownOf(sheet),
  csv: (spoken) => planCsv(spoken),
  vtt: ({ script }) => vttOf(script),
  srt: ({ script }) => srtOf(script),
  pdf: (_spoken, sheet) => pdfOf(sheet),
  docx: (_spoken, sheet) => docxOf(sheet),
};

const KNOWN = ['json', ...Object.keys(FORMATS)];

runHeadless({
  name: 'The script',
  usage: `npm run --silent script -- FILE… --class ID (and --as ${KNOWN.join('|')}, --card, --room-card, --out FILE, --today YYYY-MM-DD, --teacher ID)`,
  options: {
    class: { type: 'string' },
    as: { type: 'string' },
    card: { type: 'boolean' },
    'room-card': { type: 'boolean' },
    out: { type: 'string' },
    today: { type: 'string' },
    teacher: { type: 'string' },
  },
  async answer(bundle, { class: id, as = 'json', card, 'room-card': levels, out, today, teacher }) {
    if (id === undefined) throw new Refused('Name the class: --class ID.');
    if (!KNOWN.includes(as)) throw new Refused(`“${as}” is no format; expected one of ${KNOWN.join(', ')}.`);
    if (teacher !== undefined && !bundle.teachers?.some((each) => each.id === teacher)) {
      throw new Refused(`There is no teacher “${teacher}” in these files; expected the id of one.`);
    }
    const spoken = spokenIn(studioOf(bundle, { today: dayOf(today), teacher }), id);
    if (!spoken) throw new Refused(`There is no class “${id}” in these files; expected the id of one.`);
    const sheet = card ? oneSheet(spoken) : levels ? roomCardHandout(spoken) : scriptHandout(spoken);
    const format = FORMATS[as];
    const made = format ? await format(spoken, sheet) : `${JSON.stringify(scriptDocument(spoken), null, 2)}\n`;
    return { raw: keptIn(out, made), sound: true };
  },
});

/** Written to a file where one is named; what is left to print. @throws Refused where it can't be written */
function keptIn(out: string | undefined, made: string | Buffer): string | Buffer {
  if (out === undefined) return made;
  try {
    writeFileSync(out, made);
  } catch (error) {
    throw new Refused(`${out}, the file: It can’t be written (${(error as Error).message}).`);
  }
  return '';
}
