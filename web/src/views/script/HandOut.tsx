import type { Form } from '@warm-ladder/core/wire';
import { useState } from 'react';
import { selectWaiting } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { Choice } from '../../parts/fields/Choice';

const SHEETS = [
  ['script', 'Full script'],
  ['card', 'One sheet'],
  ['room-card', 'Room card'],
  ['equipment', 'What is needed'],
  ['home', 'To take home'],
  ['cover', 'For who covers it'],
] as const;
const OTHERS = [
  ['csv', 'Plan as a table (CSV)'],
  ['vtt', 'Captions (WebVTT)'],
  ['srt', 'Captions (SRT)'],
] as const;

interface HandOutProps {
  readonly id: string;
  readonly teacher: string | undefined;
  readonly form: Form;
}

/** The class as files for the teaching staff. */
export function HandOut({ id, teacher, form }: HandOutProps) {
  const waiting = useAppSelector(selectWaiting);
  const [paper, setPaper] = useState('a4');
  const link = (sheet: string, as: string) =>
    `/api/handouts/${encodeURIComponent(id)}?${new URLSearchParams({ sheet, as, form, paper, today: today(), ...(teacher ? { teacher } : {}) })}`;
  if (waiting) return <p className="no-print mt-1 text-soft">Files to hand out come once all is saved.</p>;
  return (
    <details className="no-print mt-1">
      <summary>Hand it out: PDF, text document, captions</summary>
      <table className="mt-1 text-[15px]">
        <tbody>
          {SHEETS.map(([sheet, name]) => (
            <tr key={sheet}>
              <th scope="row" className="pr-4 text-left font-normal">
                {name}
              </th>
              {(['pdf', 'docx', 'md'] as const).map((as) => (
                <td key={as} className="pr-3">
                  <a className="underline" href={link(sheet, as)} download>
                    {as === 'md' ? 'Markdown' : as.toUpperCase()}
                    <span className="sr-only">, {name}</span>
                  </a>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 flex flex-wrap gap-x-4">
        {OTHERS.map(([as, name]) => (
          <a key={as} className="underline" href={link('script', as)} download>
            {name}
          </a>
        ))}
        <span>
          on{' '}
          <Choice
            label="Paper"
            value={paper}
            choices={[
              ['a4', 'A4'],
              ['letter', 'US Letter'],
            ]}
            onChange={setPaper}
          />{' '}
          paper
        </span>
      </p>
    </details>
  );
}
