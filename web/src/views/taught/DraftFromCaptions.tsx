import { clock, rungTitle } from '@warm-ladder/core/review';
import type { DraftPlan } from '@warm-ladder/core/taught/take';
import { countText } from '@warm-ladder/core/vocabulary';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { newId } from '../../app/freeId';
import { useChange } from '../../app/store/edits';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { draftOfCaptions } from '../../desk/useDesk';
import { CaptionsFile } from './CaptionsFile';

/** Captions of a class that nobody planned, read into a class to go on from. */
export function DraftFromCaptions() {
  const [read, setRead] = useState<DraftPlan | 'reading' | null>(null);
  const [problem, setProblem] = useState('');
  const [name, setName] = useState('');
  const change = useChange();
  const navigate = useNavigate();
  const readFile = async (file: File) => {
    setRead('reading');
    setProblem('');
    const called = file.name.replace(/\.\w+$/, '').slice(0, 100) || 'A class that was taught';
    setName(called);
    try {
      setRead(await draftOfCaptions(await file.text(), newId(called)));
    } catch (error) {
      setRead(null);
      setProblem(`${file.name}: ${(error as Error).message}`);
    }
  };
  const make = ({ class: plan }: DraftPlan) => {
    change('classes', plan.id, { ...plan, name }, 'making a class from captions');
    void navigate(`/class/${plan.id}`);
  };
  return (
    <section aria-label="A class without a plan" className="mt-8">
      <h2 className="text-xl font-semibold">A class without a plan</h2>
      <p className="text-soft">
        Captions of a class that is not in the studio are read into a draft: what each stretch speaks of among your
        ladders, and what none of them does as talks with their seconds.
      </p>
      <p className="mt-2">
        <CaptionsFile
          label="Read captions into a draft"
          reading={read === 'reading'}
          onFile={(file) => void readFile(file)}
        />
      </p>
      {problem !== '' && (
        <p role="alert" className="mt-2 font-semibold text-alarm">
          {problem}
        </p>
      )}
      {read !== null && read !== 'reading' && <Draft read={read} name={name} onMake={() => make(read)} />}
    </section>
  );
}

interface DraftProps {
  readonly read: DraftPlan;
  readonly name: string;
  readonly onMake: () => void;
}

function Draft({ read: { blocks, unknown }, name, onMake }: DraftProps) {
  const catalog = useAppSelector(selectCatalog);
  const titleOf = (key: string | null) => {
    const entry = key === null ? undefined : catalog.rungByKey(key);
    return entry ? rungTitle(entry) : 'a talk';
  };
  const known = blocks.filter(({ rung }) => rung !== null);
  return (
    <div className="mt-3">
      <p>
        {name}: {countText(known.length, 'block')} found
        {unknown.length > 0 ? `, ${countText(unknown.length, 'stretch', 'stretches')} that no ladder speaks of` : ''}.
      </p>
      <button type="button" className="action action-main mt-2" disabled={known.length === 0} onClick={onMake}>
        Make it a class
      </button>
      <ol className="mt-2 columns-1 gap-x-10 md:columns-2">
        {blocks.map(({ startSeconds, seconds, rung, confidence }) => (
          <li key={startSeconds} className="break-inside-avoid border-b border-line/60 py-1">
            <span className="inline-block w-14 text-soft tabular-nums">{clock(startSeconds)}</span>
            {titleOf(rung)} <span className="text-soft">{clock(seconds)}</span>
            {rung !== null && confidence < SURE && <span className="text-alarm"> unsure</span>}
          </li>
        ))}
      </ol>
      {unknown.length > 0 && (
        <details className="mt-2">
          <summary className="font-semibold">What no ladder speaks of</summary>
          <ul className="text-soft">
            {unknown.map(({ startSeconds, text }) => (
              <li key={startSeconds}>
                {clock(startSeconds)}: {text}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

/** From which confidence on a block is taken for found. */
const SURE = 0.5;
