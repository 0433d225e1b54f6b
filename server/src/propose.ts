import { readFileSync } from 'node:fs';
import { parseBrief, pathText, proposeBundle } from '@warm-ladder/core/formats';
import { dayOf, Refused, runHeadless } from './headless';

runHeadless({
  name: 'Proposing',
  usage: 'npm run --silent propose -- FILE… --brief BRIEF.json (and --today YYYY-MM-DD)',
  options: { brief: { type: 'string' }, today: { type: 'string' } },
  answer(bundle, { brief: file, today }) {
    if (file === undefined) throw new Refused('Name the brief: --brief BRIEF.json.');
    const document = proposeBundle(bundle, briefIn(file), dayOf(today));
    return { document, sound: document.proposals.length > 0 };
  },
});

/** @throws Refused with every problem of the file, each with its path */
function briefIn(file: string) {
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch {
    throw new Refused(`${file}, the file: It can’t be opened; expected a brief.`);
  }
  const parsed = parseBrief(text);
  if (parsed.ok) return parsed.brief;
  throw new Refused(parsed.problems.map(({ path, message }) => `${file}, ${pathText(path)}: ${message}`).join('\n'));
}
