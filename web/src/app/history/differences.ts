import { reconciled, type Step } from '@warm-ladder/core/edits';

/** One place where two versions of a document differ, with what each says there. */
export interface Difference {
  readonly where: string;
  readonly mine: string;
  readonly theirs: string;
}

/** Most differences told one by one; a dialog is no comparison of files. */
const MOST = 8;

const SINGULAR: Readonly<Record<string, string>> = {
  blocks: 'block',
  rungs: 'rung',
  phases: 'phase',
  cues: 'cue',
  episodes: 'episode',
  options: 'option',
  cautions: 'caution',
  lines: 'line',
  goals: 'goal',
};

/** A key as one says it. @example spaced('restAfterSeconds') // 'rest after seconds' */
const spaced = (key: string): string => key.replace(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);

/** A list’s name for one of its items. @example singular('blocks') // 'block' */
export const singular = (list: string): string => SINGULAR[list] ?? spaced(list);

/** What something named by an id is called; `undefined` where nobody knows. */
export type NameOf = (value: object | string) => string | undefined;

/** Parts of a list that are told by name; more are counted. */
const NAMED = 4;

/** A value in few words. @param named what the ids in it are called */
export const valueWords = (value: unknown, named: NameOf = () => undefined): string => {
  if (value === undefined || value === null) return 'nothing';
  if (Array.isArray(value)) {
    const words = value.map((each) => valueWords(each, named));
    return value.length > NAMED || words.includes('something') ? `${value.length} in the list` : words.join(', ');
  }
  const known = typeof value === 'object' || typeof value === 'string' ? named(value) : undefined;
  if (known !== undefined) return known;
  if (typeof value === 'object') {
    const { name, text, exercise, rung } = value as Record<string, unknown>;
    return String(name ?? text ?? [exercise, rung].filter(Boolean).join(', ')) || 'something';
  }
  const text = String(value);
  return text.length > 60 ? `${text.slice(0, 60)}…` : text;
};

/** The item of a list that a step points at, as the document has it now. */
export function itemIn(document: unknown, path: readonly Step[]): unknown {
  let now = document;
  for (const step of path) {
    if (Array.isArray(now) && typeof step === 'object') now = now.find((each) => each?.id === step.id);
    else if (typeof step === 'string' && typeof now === 'object' && now !== null) now = (now as never)[step];
    else return undefined;
  }
  return now;
}

/** Where a change is, in words: `rung “Knees bent”, dose, reps`. */
export function placeWords(document: unknown, path: readonly Step[], named?: NameOf): string {
  return path
    .flatMap((step, i) => {
      if (typeof step === 'object') return [];
      const next = path[i + 1];
      if (typeof next !== 'object') return [spaced(step)];
      const item = itemIn(document, path.slice(0, i + 2));
      const name = item === undefined ? '' : valueWords(item, named);
      return [name === '' || name === 'something' ? singular(step) : `${singular(step)} “${name}”`];
    })
    .join(', ');
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

/**
 * Where two versions of a document differ, in words.
 * @returns the first few differences, and how many more there are
 */
export function differencesOf(mine: unknown, theirs: unknown): { readonly told: Difference[]; readonly more: number } {
  const found: Difference[] = [];
  const walk = (a: unknown, b: unknown, where: readonly string[]) => {
    if (JSON.stringify(a) === JSON.stringify(b)) return;
    if (isRecord(a) && isRecord(b) && Array.isArray(a) === Array.isArray(b)) {
      const list = Array.isArray(a);
      for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
        if (!list) walk(a[key], b[key], [...where, spaced(key)]);
        else {
          const of = where.at(-1) ?? '';
          walk(a[key], b[key], [...where.slice(0, -1), `${singular(of)} ${Number(key) + 1}`]);
        }
      }
      return;
    }
    found.push({ where: where.join(', ') || 'the whole', mine: valueWords(a), theirs: valueWords(b) });
  };
  walk(mine ?? undefined, theirs ?? undefined, []);
  return { told: found.slice(0, MOST), more: Math.max(0, found.length - MOST) };
}

/**
 * Only what two hands changed differently in one document, in words: everything else of both can stand.
 * @param was what both began with
 * @param named what the ids in it are called
 */
export function clashesOf(was: object, mine: object, theirs: object, named?: NameOf): readonly Difference[] {
  return reconciled(was, mine, theirs).clashes.map((clash) => {
    const where = placeWords(itemIn(mine, clash.path) === undefined ? theirs : mine, clash.path, named);
    if (clash.what === 'order') {
      return { where: `the order of ${where}`, mine: 'as you put them', theirs: 'as they put them' };
    }
    const said = (value: unknown) => {
      if (clash.what === 'value') return valueWords(value, named);
      return value === undefined ? 'removed' : 'changed';
    };
    return { where, mine: said(clash.mine), theirs: said(clash.theirs) };
  });
}
