import { type Phase, phaseCounts } from '../repertoire';
import { speechSeconds, wordsIn } from '../vocabulary/words/words';
import type { Script, ScriptSection } from './draftScript';
import { inTurn, onRepetition, type ScriptLine } from './lines/line';
import { momentIn, type PassTimes } from './passTimes';

/** A line as it is spoken, in seconds from the start of the class; the way to a place is a line without an id. */
export interface Utterance {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** Of the script. */
  readonly section: number;
  readonly line: ScriptLine | null;
}

/** Characters a second that can be read, and words a minute from which whoever teaches is faster than that. Source: docs/voice.md. */
const [READ, FAST] = [17, 165];
/** Seconds a line is heard and read at least. */
const LEAST = 0.8;

/** Seconds in which a text can be read at the quickest. */
const readSeconds = (text: string, wordsPerMinute: number): number =>
  wordsPerMinute > FAST ? speechSeconds(wordsIn(text), wordsPerMinute) : text.length / READ;

/** Seconds a text is spoken, and can be read along. */
export const spokenSeconds = (text: string, wordsPerMinute: number): number =>
  Math.max(LEAST, speechSeconds(wordsIn(text), wordsPerMinute), readSeconds(text, wordsPerMinute));

/** A line with the second it belongs to. */
interface Due {
  readonly line: ScriptLine | null;
  readonly text: string;
  readonly at: number;
  /** The place of an action among those of a repetition: they keep their order. */
  readonly order?: number;
  /** It may wait for the same moment of a later repetition: after so many seconds, and until then. */
  readonly again?: { readonly every: number; readonly until: number };
}

/** Seconds by which a line may come after the moment it belongs to before it waits for the next such moment. */
const LATE = 0.25;

/** The second a line is said at, when the one before it is over. */
function saidAt({ at, again }: Due, clock: number): number {
  if (clock <= at + LATE || !again || again.every <= 0) return Math.max(clock, at);
  const later = at + Math.ceil((clock - LATE - at) / again.every) * again.every;
  return later <= again.until + 1e-9 ? Math.max(later, clock) : clock;
}

/**
 * What is said when: each line once, in order, none over another. The way is said on the way, what people need to know
 * before the effort in the set-up, an action on its phase, what belongs to a repetition on it, what keeps and pictures
 * the shape on the repetitions after the first, and what was shown is explained afterwards.
 */
export function timetableOf({ sections, wordsPerMinute, seconds }: Script): Utterance[] {
  const spoken: Utterance[] = [];
  let cursor = 0;
  sections.forEach((section, index) => {
    const following = sections[index + 1];
    // What is said of a stretch is over when the next one has something to say: its way, or its first line.
    const way = following?.lead ? spokenSeconds(following.lead, wordsPerMinute) : 0;
    const end = following
      ? Math.max(following.startSeconds - following.leadSeconds, following.startSeconds - way)
      : seconds;
    const [onTheWay, there] = stretchesOf(section);
    for (const [stretch, until] of [
      [onTheWay, section.startSeconds],
      [there, end],
    ] as const) {
      for (const each of laid(stretch, cursor, until, wordsPerMinute)) {
        spoken.push({ ...each, section: index });
        cursor = each.to;
      }
    }
  });
  return spoken;
}

/**
 * Lines from the second each belongs to, or as soon as the one before it is over. Where all of them can't be said by the
 * end, they share what time there is: the next stretch begins on its own second.
 */
function laid(
  dues: readonly Due[],
  cursor: number,
  end: number,
  wordsPerMinute: number,
): Array<Omit<Utterance, 'section'>> {
  let clock = cursor;
  const waiting = [...dues];
  const placed: Array<Omit<Utterance, 'section'>> = [];
  // Whichever can be said first: a line that waits for a later repetition lets others go before it.
  while (waiting.length > 0) {
    // No action is said before the one it follows.
    const turn = Math.min(...waiting.map(({ order = Number.POSITIVE_INFINITY }) => order));
    const times = waiting.map((each) => ((each.order ?? turn) > turn ? Number.POSITIVE_INFINITY : saidAt(each, clock)));
    const next = times.indexOf(Math.min(...times));
    const [{ line, text }] = waiting.splice(next, 1) as [Due];
    const from = times[next] as number;
    clock = from + spokenSeconds(text, wordsPerMinute);
    placed.push({ line, text, from, to: clock });
  }
  const [first] = placed;
  if (!first || clock <= end + 1e-9) return placed;
  const earlier = broughtForward(placed, end);
  const begin = Math.min(cursor, end);
  if ((earlier[0]?.from ?? 0) >= begin) return earlier;
  const quick = placed.map(({ text }) => readSeconds(text, wordsPerMinute));
  const sum = (all: readonly number[]) => all.reduce((total, each) => total + each, 0);
  const [least, most] = [sum(quick), sum(placed.map(({ from, to }) => to - from))];
  const room = Math.max(0, end - begin);
  // Pauses go first, then what is said slower than it can be read, then all of it is said faster.
  const slack = most > least ? Math.min(1, Math.max(0, (room - least) / (most - least))) : 0;
  const share = least > room ? room / least : 1;
  let at = begin;
  return placed.map((each, i) => {
    const from = at;
    const own = quick[i] as number;
    at += (own + (each.to - each.from - own) * slack) * share;
    return { ...each, from, to: at };
  });
}

/** The last lines as much earlier as it takes for them to be over by the end. */
function broughtForward<T extends { readonly from: number; readonly to: number }>(
  placed: readonly T[],
  end: number,
): T[] {
  let limit = end;
  return placed
    .toReversed()
    .map((each): T => {
      const late = Math.max(0, each.to - limit);
      limit = each.from - late;
      return late > 0 ? { ...each, from: each.from - late, to: each.to - late } : each;
    })
    .toReversed();
}

const due =
  (at: number) =>
  (line: ScriptLine): Due => ({ line, text: line.text, at });

/** What is said of a section, stretch by stretch: on the way, before the effort, in it, after it. */
function stretchesOf(section: ScriptSection): readonly [onTheWay: Due[], there: Due[]] {
  const { startSeconds, leadSeconds, lead, lines, times, pass } = section;
  const said = lines.filter((line) => line.said && wordsIn(line.text) > 0);
  const way = startSeconds - leadSeconds;
  // Which side, and how many, is heard while people turn to it.
  const turned = (line: ScriptLine) => line.kind === 'side' || (line.kind === 'count' && !onRepetition(line));
  const sideway = times && pass === 2 && leadSeconds > 0 ? said.filter(turned) : [];
  const onTheWay: Due[] = [...(lead === null ? [] : [{ line: null, text: lead, at: way }]), ...sideway.map(due(way))];
  if (!times) return [onTheWay, said.map(due(startSeconds))];
  const work = startSeconds + times.setup + times.options;
  const { before, actions, during, out } = inTurn(said.filter((line) => !sideway.includes(line)));
  return [
    onTheWay,
    [
      ...before.map(due(startSeconds)),
      ...(times.explained > 0
        ? [...inWork(actions, times, work), ...during.map(due(work + times.work))]
        : inWork([...actions, ...during], times, work)),
      ...out.map(due(work + times.work - times.exit)),
    ],
  ];
}

/** Where each phase of the way in, of a repetition and of the way out begins, from the start of its part. */
function startsOf(phases: readonly Phase[], count: number): ReadonlyMap<string, number> {
  let clock = 0;
  return new Map(
    phases.map((phase) => {
      const start = clock;
      clock += phaseCounts(phase) * count;
      return [phase.id, start];
    }),
  );
}

/**
 * Lines that are said while people work, by the second each belongs to: an action on its phase, on the first repetition
 * on which the lines before it leave it time; the rest on the repetitions after that, one on each.
 */
function inWork(lines: readonly ScriptLine[], times: PassTimes, work: number): Due[] {
  const { count, rep, phases } = times;
  const into = startsOf(phases.entry, count);
  const each = startsOf(phases.rep, count);
  const outOf = startsOf(phases.exit, count);
  const reps = Math.max(1, Math.floor(times.reps));
  const first = work + times.entry;
  const set = times.entry + times.reps * rep + times.exit;
  const last = work + times.work - times.exit;
  const repAt = (number: number) => first + Math.min(number, reps - 1) * rep;
  let free = 0;
  return lines
    .map((line): Due => {
      const id = line.phase?.id;
      const begins = { first: 0, middle: Math.floor(reps / 2), last: reps - 1 } as const;
      const number = line.rep ?? (line.at ? begins[line.at] : undefined);
      // The way in of a later set will do.
      const sets = { every: set + times.restBetween, until: work + (times.sets - 1) * (set + times.restBetween) };
      if (id !== undefined && into.has(id)) {
        const at = work + (into.get(id) ?? 0);
        return { ...due(at)(line), again: { ...sets, until: sets.until + at - work } };
      }
      if (id !== undefined && outOf.has(id)) return due(last + (outOf.get(id) ?? 0))(line);
      const phase = id === undefined ? 0 : (each.get(id) ?? 0);
      if (number !== undefined) return due(repAt(number) + phase)(line);
      // What says no repetition may wait for one that has time for it.
      const again = { every: rep, until: repAt(reps - 1) + phase };
      if (line.kind === 'action') return { ...due(first + phase)(line), again, order: phase };
      free += 1;
      return { ...due(repAt(free) + phase)(line), again };
    })
    .sort((a, b) => a.at - b.at);
}

/**
 * What is said just now in a stretch; `null` in silence. In the first pass an action is said again on the second
 * repetition.
 * @param seconds from the start of the stretch
 */
export function wordsAt(spoken: readonly Utterance[], section: ScriptSection, seconds: number): string | null {
  const now = section.startSeconds + seconds;
  const said = spoken.find(({ from, to }) => from <= now && now < to);
  if (said) return said.text;
  const { times, pass, lines } = section;
  const moment = times ? momentIn(times, seconds) : null;
  if (pass === 2 || moment?.doing !== 'rep' || moment.rep !== 1) return null;
  return (
    lines.find(({ kind, phase, said: aloud }) => aloud && kind === 'action' && phase?.id === moment.phase.id)?.text ??
    null
  );
}
