import { CONDITIONS, measuredText, surveyRepertoire, VERDICTS, type Verdict } from '@warm-ladder/core/caution';
import type { Audience } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { CautionMark, verdictWord } from '../../parts/CautionMark';

const FILL: Readonly<Record<Verdict, string>> = {
  fine: 'bg-moss',
  adapt: 'bg-soft/35',
  swap: 'bg-heat-3',
  'clear-first': 'bg-brick',
};
/** Rules named; the rest speak on the rungs themselves. */
const RULES_SHOWN = 8;

/** What an audience's cautions leave of the repertoire, position by position, and the rules that say so. */
export function WhatIsLeft({ catalog, audience }: { catalog: Catalog; audience: Audience }) {
  const { cautions = [] } = audience;
  const { positions, rules } = useMemo(() => surveyRepertoire(catalog, cautions), [catalog, cautions]);
  if (catalog.rungs.length === 0) return null;
  return (
    <section aria-label="What is left of the repertoire" className="rounded-lg bg-sheet p-5 shadow-lift">
      <h2 className="font-name text-xl font-semibold">What is left of the repertoire</h2>
      <p className="mt-1 flex flex-wrap gap-x-4 text-sm">
        {VERDICTS.map((verdict) => (
          <CautionMark key={verdict} verdict={verdict} />
        ))}
      </p>
      <ul className="mt-3 flex flex-col gap-1.5">
        {positions.map(({ position, counts }) => (
          <li key={position} className="grid grid-cols-[8.5rem_1fr] items-center gap-3">
            <span className="text-right text-[15px] leading-tight">{catalog.graph.name(position)}</span>
            <span
              className="flex h-4 overflow-hidden rounded-full"
              role="img"
              aria-label={VERDICTS.map((verdict) => `${counts[verdict]} ${verdictWord(verdict)}`).join(', ')}
            >
              {VERDICTS.map((verdict) => (
                <span
                  key={verdict}
                  className={`text-center text-[11px] leading-4 ${FILL[verdict]} ${verdict === 'adapt' ? 'text-ink' : 'text-sheet'}`}
                  style={{ flexGrow: counts[verdict], flexBasis: 0 }}
                >
                  {counts[verdict] > 0 ? counts[verdict] : ''}
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
      {rules.length > 0 && (
        <>
          <h3 className="mt-4 font-semibold">Most common cautions</h3>
          <ul className="mt-1 flex flex-col gap-2 text-[15px]">
            {rules.slice(0, RULES_SHOWN).map(({ caution, count, hardest }) => (
              <li key={`${caution.condition}/${caution.feature}/${caution.verdict}`}>
                <CautionMark verdict={caution.verdict} /> {CONDITIONS[caution.condition].name}: {caution.how}{' '}
                <span className="text-soft">
                  {caution.why} {count} {count === 1 ? 'rung' : 'rungs'}, such as{' '}
                  <Link className="underline" to={`/repertoire/${hardest.exercise.id}#${hardest.rung.id}`}>
                    {hardest.exercise.name}, {hardest.rung.name}
                  </Link>
                  : {measuredText(caution.feature, caution.value, caution.over)}.
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
