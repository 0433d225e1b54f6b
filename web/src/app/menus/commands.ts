import type { ClassPlan } from '@warm-ladder/core/plan';
import { EXPORT_PATH } from '../store/server';
import { today } from '../today';

/** The steps of the work, in the order a class goes through them; the house stands beside them. */
export const STEPS = ['Repertoire', 'Class', 'Levels', 'Script', 'Rehearse', 'Series', 'Log', 'House'] as const;
type Step = (typeof STEPS)[number];

/** Something to do or to go to. */
export interface Command {
  readonly step: Step;
  readonly words: string;
  /** What else it is called by. */
  readonly also?: string;
  /** Where it leads, what file it hands out, or what it does. */
  readonly does: Goes | Hands | (() => void);
}
interface Goes {
  readonly to: string;
}
interface Hands {
  readonly file: string;
}

const go = (step: Step, words: string, to: string, also?: string): Command => ({
  step,
  words,
  does: { to },
  ...(also ? { also } : {}),
});

/** What there is to do wherever one is. */
export const ALWAYS: readonly Command[] = [
  go('Repertoire', 'Repertoire', '/repertoire', 'exercises ladders map'),
  go('Repertoire', 'Cues', '/cues', 'words images'),
  { step: 'Repertoire', words: 'Repertoire as a table', also: 'export csv', does: { file: '/api/repertoire.csv' } },
  go('Class', 'All classes', '/class'),
  go('Class', 'Propose a class', '/propose', 'begin brief new class'),
  go('Class', 'Two versions beside each other', '/versions', 'compare'),
  go('Script', 'Scripts', '/script'),
  // A page of its own, as it is opened on a phone.
  { step: 'Rehearse', words: 'Classes today', also: 'tonight teach', does: () => location.assign('/tonight') },
  go('Rehearse', 'On phones in the studio', '/phones'),
  go('Series', 'Series', '/series'),
  go('Series', 'Plan a series', '/series/plan', 'course propose new series'),
  go('Series', 'Calendar', '/calendar', 'term weeks dates'),
  go('Series', 'The shelf', '/shelf', 'package on demand'),
  go('Log', 'What really happened', '/logs', 'logs takes'),
  go('Log', 'What was changed', '/history', 'history undo'),
  go('House', 'Audiences', '/audiences', 'people cautions'),
  go('House', 'Teachers and rooms', '/teachers', 'props pace'),
  go('House', 'Method', '/method', 'settings rules'),
  go('House', 'Positions and the ways between', '/method/positions'),
  { step: 'House', words: 'Export the studio', also: 'save file download', does: { file: EXPORT_PATH } },
];

/** What there is to do with a class. */
export function commandsOf({ id, name }: ClassPlan): Command[] {
  const handout = (sheet: string, as: string) =>
    `/api/handouts/${encodeURIComponent(id)}?${new URLSearchParams({ sheet, as, today: today() })}`;
  return [
    go('Class', `Blocks of ${name}`, `/class/${id}`),
    go('Class', `Set ${name} beside another`, `/versions?one=${id}`, 'compare versions'),
    go('Levels', `Levels of ${name}`, `/class/${id}?view=levels`, 'options easier harder'),
    go('Levels', `Room card of ${name}`, `/room/${id}`),
    go('Script', `Script of ${name}`, `/script/${id}`, 'words cues'),
    {
      step: 'Script',
      words: `Print the script of ${name}`,
      also: 'pdf export',
      does: { file: handout('script', 'pdf') },
    },
    { step: 'Script', words: `Print one sheet of ${name}`, also: 'pdf export', does: { file: handout('card', 'pdf') } },
    {
      step: 'Script',
      words: `Print what to take home from ${name}`,
      also: 'pdf participants export',
      does: { file: handout('home', 'pdf') },
    },
    {
      step: 'Script',
      words: `Hand ${name} to who covers it`,
      also: 'pdf substitute teacher print export',
      does: { file: handout('cover', 'pdf') },
    },
    {
      step: 'Script',
      words: `Captions of ${name}`,
      also: 'vtt export subtitles',
      does: { file: handout('script', 'vtt') },
    },
    go('Rehearse', `Rehearse ${name}`, `/rehearse/${id}`, 'practise voice'),
    go('Rehearse', `Teach ${name}`, `/teach/${id}`, 'live'),
    go('Log', `What happened in ${name}`, `/taught/${id}`, 'logs take'),
  ];
}

/**
 * How well a name answers the letters typed: 0 where it begins with them, 1 where each begins a word of it, 2 where each
 * stands in it or begins a word of what else it is called by; `null` where one does not.
 */
export function answers(words: string, also: string, letters: readonly string[]): 0 | 1 | 2 | null {
  const name = words.toLowerCase();
  const begins = (text: string) => (each: string) => ` ${text}`.includes(` ${each}`);
  const [inName, inAlso] = [begins(name), begins(also.toLowerCase())];
  if (!letters.every((each) => name.includes(each) || inAlso(each))) return null;
  if (name.startsWith(letters.join(' '))) return 0;
  return letters.every(inName) ? 1 : 2;
}
