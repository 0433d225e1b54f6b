import { CONDITIONS, measuredText, surveyRepertoire, VERDICTS } from '@warm-ladder/core/caution';
import type { Audience } from '@warm-ladder/core/plan';
import type { Catalog } from '@warm-ladder/core/repertoire';
import { lackingOf } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import { Suspense, useMemo } from 'react';
import { Link } from 'react-router';
import { lazily } from '../../app/shell/lazily';
import { CautionMark, leftWord } from '../../parts/classes/CautionMark';

// Charts come with a library of their own.
const VerdictBars = lazily(() => import('../../charts/VerdictBars'));
/** Rules named; the rest speak on the rungs themselves. */
const RULES_SHOWN = 8;

const NONE: NonNullable<Audience['cautions']> = [];

/** What an audience leaves of the repertoire, position by position, and the rules of care that say so. */
export function WhatIsLeft({ catalog, audience }: { catalog: Catalog; audience: Audience }) {
  const { cautions = NONE, equipment, homeHeat = catalog.method.limits.homeHeat } = audience;
  const { positions, rules } = useMemo(
    () => surveyRepertoire(catalog, cautions, (entry) => lackingOf(entry, equipment).length === 0, homeHeat),
    [catalog, cautions, equipment, homeHeat],
  );
  if (catalog.rungs.length === 0) return null;
  return (
    <section aria-label="What is left of the repertoire" className="rounded-lg bg-sheet p-5 shadow-lift">
      <h2 className="font-name text-xl font-semibold">What is left of the repertoire</h2>
      <p className="mt-1 flex flex-wrap gap-x-4 text-sm">
        {VERDICTS.map((verdict) => (
          <CautionMark key={verdict} verdict={verdict} />
        ))}
        <span className="text-heat-3">
          <span aria-hidden="true">▲</span> {leftWord('too-hot')}
        </span>
        <span className="text-soft">
          <span aria-hidden="true">▢</span> {leftWord('not-at-hand')}
        </span>
      </p>
      <Suspense fallback={<div style={{ height: 20 + positions.length * 27 }} />}>
        <VerdictBars rows={positions.map(({ position, counts }) => ({ name: catalog.graph.name(position), counts }))} />
      </Suspense>
      {rules.length > 0 && (
        <>
          <h3 className="mt-4 font-semibold">Most common cautions</h3>
          <ul className="mt-1 flex flex-col gap-2 text-[15px]">
            {rules.slice(0, RULES_SHOWN).map(({ caution, count, hardest }) => (
              <li key={`${caution.condition}/${caution.feature}/${caution.verdict}`}>
                <CautionMark verdict={caution.verdict} /> {CONDITIONS[caution.condition].name}: {caution.how}{' '}
                <span className="text-soft">
                  {caution.why} {countText(count, 'rung')}, such as{' '}
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
