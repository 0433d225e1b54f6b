import { usesOf } from '../../repertoire';
import { rungTitle } from '../finding';
import type { Subject } from '../subject/subject';
import { percent } from '../words/clock';
import { type CraftTerm, fine } from './term';

/** What a class is begun with. */
const CONNECTS: ReadonlySet<string> = new Set(['breath', 'pelvis', 'spine']);
/** The heat up to which a connecting block is calm in any class, and the share of the hardest up to which it is in this one. */
const [CALM_HEAT, CALM_SHARE] = [20, 0.6];

const connecting = new WeakMap<object, boolean>();
function isConnecting(entry: Subject['done'][number]['entry']): boolean {
  let known = connecting.get(entry);
  if (known === undefined) {
    known = usesOf(entry).goodFor.some((use) => CONNECTS.has(use));
    connecting.set(entry, known);
  }
  return known;
}

/** Place among the done blocks of the first that connects people with breath, pelvis or spine; −1 without one. */
function firstConnecting({ done, heats, hottest }: Subject): number {
  const most = Math.max(CALM_HEAT, CALM_SHARE * hottest);
  for (let i = 0; i < done.length; i++) {
    if ((heats[i] as number) <= most && isConnecting((done[i] as Subject['done'][number]).entry)) return i;
  }
  return -1;
}

/** Begins with breath, pelvis or spine, before anything hard. */
export const connection: CraftTerm<'connection'> = {
  name: 'connection',
  measures:
    'share of the class, between opening and closing, before its first block of breath, pelvis or spine; 1 without one',
  unit: '',
  weigh: (subject) => {
    const { timed, done, heats, hottest, arc, catalog } = subject;
    const { connectionBy } = catalog.method.craft;
    if (done.length === 0) return fine(connectionBy);
    const at = firstConnecting(subject);
    if (at < 0) return { value: 1, limit: connectionBy, distance: 1 };
    const begin = timed.parts.opening;
    const span = timed.seconds - timed.parts.closing - begin;
    const first = done[at] as Subject['done'][number];
    const value = span > 0 ? Math.max(0, (first.startSeconds - begin) / span) : 0;
    if (value <= connectionBy) return { value, limit: connectionBy, distance: 0 };
    const peak = arc?.peaks[0] ?? heats.indexOf(hottest);
    return { value, limit: connectionBy, distance: at < peak ? 0.5 : 1 };
  },
  weight: ({ audience, catalog: { method } }) =>
    audience?.level === 'beginner' ? method.craft.connectionBeginners : method.craft.connection,
  finding: {
    code: 'CONNECTION_MISSING',
    severity: 'look',
    except: 'fix for beginners',
    limit: '`craft.connectionBy` of the time between opening and closing',
    says: 'the class does not begin with breath, pelvis or spine',
    find: ({ done: [first], audience }) => ({
      severity: audience?.level === 'beginner' ? 'fix' : undefined,
      blocks: first ? [first.index] : [],
    }),
    sentence: ({ blocks, value }, subject) => {
      const later = subject.done[firstConnecting(subject)];
      return later
        ? `The class begins with ${subject.titleAt(blocks[0])}; breath, pelvis or spine come only with ${rungTitle(later.entry)}, at ${percent(value)}.`
        : 'Nothing in this class connects people with breath, pelvis or spine before the work begins.';
    },
    mend: (_found, subject) => {
      const later = subject.done[firstConnecting(subject)];
      if (!later || later === subject.done[0] || later.block.run !== undefined) return [];
      return [
        {
          label: `Begin with ${rungTitle(later.entry)}`,
          edits: [{ kind: 'move', id: later.block.id, before: subject.timed.sequence[0]?.block.id ?? null }],
        },
      ];
    },
  },
};
