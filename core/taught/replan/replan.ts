import type { ClassPlan, PlanEdit } from '../../plan';
import type { Catalog } from '../../repertoire';
import { clock, type ReviewContext, spell, titleOf } from '../../review';
import type { Cut, CutKind } from './cuts';
import { type Left, leftAt, type Moment, standAt, startOf } from './moment';
import { AIM_TO, LEAST, Search, type Tried } from './search';

export interface ReplanEdit {
  readonly kind: CutKind;
  readonly block: string;
  readonly to?: { readonly reps: number };
  readonly label: string;
  /** Seconds at the day’s own pace; below 0 where it makes the class longer. */
  readonly saves: number;
  /** What becomes of the class. */
  readonly edits: readonly PlanEdit[];
}

export interface Replan {
  /** Seconds after it should have begun. */
  readonly target: number;
  readonly endsAt: { readonly asPlanned: number; readonly replanned: number };
  readonly edits: readonly ReplanEdit[];
  /** What is left, with when it begins. */
  readonly blocks: ReadonlyArray<{ readonly id: string; readonly startSeconds: number; readonly seconds: number }>;
  readonly keeps: {
    readonly peak: string | null;
    readonly ease: string | null;
    readonly secondSides: readonly string[];
  };
  readonly why: readonly string[];
  /** Whether it ends well enough. */
  readonly ends: boolean;
  readonly plan: ClassPlan;
}

/**
 * What to leave out, shorten or add from here on so that a class under way still ends on time: the blocks marked to give
 * first, in their order, then what costs least of its arc, its directions and its sides. Never the hardest moment left,
 * the last block, a second side whose first was done, what a later block requires, or what is locked.
 * @throws NoMoment for a moment that can’t be
 */
export function replan(catalog: Catalog, plan: ClassPlan, context: ReviewContext, moment: Moment): Replan {
  const stand = standAt(catalog, plan, context, moment);
  const search = new Search(catalog, context, stand);
  const taken =
    search.asPlanned > search.target + AIM_TO
      ? search.shorter()
      : search.asPlanned < search.target + LEAST
        ? search.longer()
        : [];
  return told(search, taken);
}

/** What was found, told. */
function told(search: Search, cuts: readonly Cut[]): Replan {
  const { stand, target, asPlanned, catalog } = search;
  const { moment, pace } = stand;
  const final = search.with(cuts);
  const left = leftAt(catalog, stand, final.timed);
  const edits: ReplanEdit[] = [];
  let before = asPlanned;
  cuts.forEach((cut, i) => {
    const { end } = search.with(cuts.slice(0, i + 1));
    cut.ids.forEach((id, of) => {
      edits.push({
        kind: cut.kind,
        block: id,
        ...(cut.reps === undefined ? {} : { to: { reps: cut.reps } }),
        label: cut.labels[of] as string,
        // What a run saves is said by its first block: it goes whole.
        saves: of === 0 ? Math.round(before - end) : 0,
        edits: cut.edits.filter((edit) => ('id' in edit ? edit.id === id : of === 0)),
      });
    });
    before = end;
  });
  const at = startOf(final.timed, moment.block, moment.pass);
  const when = (seconds: number) => Math.round(moment.elapsed + pace * (seconds - at));
  const blocks = final.timed.sequence.flatMap((part) => {
    const second = left.second.find((each) => each === part);
    if (!second && !left.whole.includes(part)) return [];
    const slot = second?.slots[1];
    const startSeconds = when(slot?.startSeconds ?? part.startSeconds);
    return [{ id: part.block.id, startSeconds, seconds: Math.round(pace * (slot?.seconds ?? part.seconds)) }];
  });
  const ends = final.end >= target + LEAST && final.end <= target + AIM_TO;
  return {
    target,
    endsAt: { asPlanned: Math.round(asPlanned), replanned: Math.round(final.end) },
    edits,
    blocks: blocks.sort((a, b) => a.startSeconds - b.startSeconds),
    keeps: {
      peak: left.peak?.block.id ?? null,
      ease: left.ease?.block.id ?? null,
      secondSides: left.second.map(({ block }) => block.id),
    },
    why: whyOf(search, final, left, ends),
    ends,
    plan: final.timed.plan,
  };
}

function whyOf(
  { target, asPlanned, stand }: Search,
  { end, cuts }: Tried,
  { peak, second }: Left,
  ends: boolean,
): string[] {
  const apart = (seconds: number) => {
    const off = Math.round(seconds - target);
    return off === 0 ? 'on time' : `${spell(Math.abs(off))} ${off > 0 ? 'late' : 'early'}`;
  };
  const slower = Math.round((stand.pace - 1) * 100);
  const day = slower === 0 ? '' : ` Today goes ${Math.abs(slower)} % ${slower > 0 ? 'slower' : 'faster'} than planned.`;
  const as = `As planned it ends at ${clock(asPlanned)}, ${apart(asPlanned)}.${day}`;
  if (cuts.length === 0) return [as, ...(ends ? [] : ['Nothing that may change is left to bring it to time.'])];
  return [
    as,
    `Then it ends at ${clock(end)}, ${apart(end)}${ends ? '' : ', the nearest there is: the rest has to stay'}.`,
    ...(peak ? [`Its hardest moment, ${titleOf(peak)}, and its last block stay as they are.`] : []),
    ...(second.length > 0 ? [`Second sides stay: ${second.map((block) => titleOf(block)).join('; ')}.`] : []),
  ];
}
