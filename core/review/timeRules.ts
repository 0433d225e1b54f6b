import { doseOf, repSeconds, type TimedBlock } from '../plan';
import { clock, percent, spell } from './clock';
import { type Finding, type Remedy, type ReviewSubject, type Rule, rungTitle } from './finding';

/** Over, under, or at risk of running over: at most one of the three, since each makes the next pointless. */
export const timeRule: Rule = (subject) => {
  const { timed, catalog } = subject;
  const target = timed.plan.targetMinutes * 60;
  const { limits } = catalog.method;
  const time = { blocks: [], unit: 's' };
  if (timed.seconds > target + 0.5) {
    const message = `The class lasts ${clock(timed.seconds)}, ${spell(timed.seconds - target)} over its ${timed.plan.targetMinutes} minutes.`;
    const remedies = shorten(subject, timed.seconds - target);
    return [{ ...time, code: 'TIME_OVER', severity: 'fix', value: timed.seconds, limit: target, message, remedies }];
  }
  const least = target * (1 - limits.underShare);
  if (timed.seconds < least) {
    const message = `The class lasts ${clock(timed.seconds)}, ${spell(target - timed.seconds)} short of its ${timed.plan.targetMinutes} minutes.`;
    return [
      { ...time, code: 'TIME_UNDER', severity: 'look', value: timed.seconds, limit: least, message, remedies: [] },
    ];
  }
  if (timed.range.overChance <= limits.overChance) return [];
  const chance = percent(timed.range.overChance);
  return [
    {
      ...time,
      code: 'TIME_AT_RISK',
      severity: 'look',
      value: timed.range.overChance,
      limit: limits.overChance,
      unit: '',
      message: `As taught it passes its ${timed.plan.targetMinutes} minutes ${chance} of the time; one class in ten lasts ${clock(timed.range.p90)}.`,
      remedies: shorten(subject, timed.range.p90 - target),
    },
  ];
};

/** The block whose repetitions can best give the seconds back, and the opening when it is the longest part. */
function shorten({ timed, catalog }: ReviewSubject, seconds: number): Remedy[] {
  const perRep = (block: TimedBlock) => block.work / doseOf(block.entry, block.block).reps;
  const candidates = timed.blocks
    .map((block) => ({ block, reps: doseOf(block.entry, block.block).reps, each: perRep(block) }))
    .filter(({ reps }) => reps > 1)
    .sort((a, b) => b.block.work - a.block.work);
  const [longest] = candidates;
  if (!longest) return [];
  const fewer = Math.min(longest.reps - 1, Math.ceil(seconds / longest.each));
  const rep = repSeconds(longest.block.entry, doseOf(longest.block.entry, longest.block.block), catalog.method);
  if (rep === 0) return [];
  return [
    {
      label: `${rungTitle(longest.block.entry)}: ${longest.reps - fewer} reps instead of ${longest.reps} (−${spell(fewer * longest.each)})`,
      edits: [{ kind: 'dose', block: longest.block.index, dose: { reps: longest.reps - fewer } }],
    },
  ];
}

export const longBlockRule: Rule = ({ timed, catalog }) => {
  const limit = catalog.method.limits.blockSeconds;
  return timed.blocks
    .filter(({ seconds }) => seconds > limit)
    .map((block): Finding => {
      const { sets } = doseOf(block.entry, block.block);
      return {
        code: 'BLOCK_LONG',
        severity: 'look',
        blocks: [block.index],
        value: block.seconds,
        limit,
        unit: 's',
        message: `${rungTitle(block.entry)} lasts ${spell(block.seconds)}; a block longer than ${spell(limit)} loses the room.`,
        remedies:
          sets > 1
            ? [
                {
                  label: `${sets - 1} sets instead of ${sets}`,
                  edits: [{ kind: 'dose', block: block.index, dose: { sets: sets - 1 } }],
                },
              ]
            : [],
      };
    });
};

export const openingRule: Rule = ({ timed, catalog }) => {
  const { openingShare } = catalog.method.limits;
  const share = timed.seconds === 0 ? 0 : timed.parts.opening / timed.seconds;
  if (timed.blocks.length === 0 || share <= openingShare) return [];
  // The opening is part of the class, so shortening it shortens the class too: x / (rest + x) = limit.
  const rest = timed.seconds - timed.parts.opening;
  const fitting = Math.floor((openingShare * rest) / (1 - openingShare) / 5) * 5;
  return [
    {
      code: 'OPENING_LONG',
      severity: 'fix',
      blocks: [],
      value: share,
      limit: openingShare,
      unit: '',
      message: `The opening takes ${spell(timed.parts.opening)}, ${percent(share)} of the class; ${percent(openingShare)} is the most.`,
      remedies: [
        { label: `Open in ${spell(fitting)}`, edits: [{ kind: 'class', change: { openingSeconds: fitting } }] },
      ],
    },
  ];
};
