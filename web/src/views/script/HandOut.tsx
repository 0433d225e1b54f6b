import {
  formatsOf,
  HANDOUT_FORMATS,
  HANDOUT_SHEET_IDS,
  HANDOUT_SHEETS,
  type HandoutFormat,
  type HandoutSheet,
} from '@warm-ladder/core/handouts';
import type { Form } from '@warm-ladder/core/wire';
import { useState } from 'react';
import { selectWaiting } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { today } from '../../app/today';
import { Choice } from '../../parts/fields/Choice';

interface HandOutProps {
  readonly id: string;
  readonly teacher: string | undefined;
  readonly form: Form;
}

/** The class as files for the teaching staff. */
export function HandOut({ id, teacher, form }: HandOutProps) {
  const waiting = useAppSelector(selectWaiting);
  const [paper, setPaper] = useState('a4');
  const link = (sheet: HandoutSheet, as: HandoutFormat) =>
    `/api/handouts/${encodeURIComponent(id)}?${new URLSearchParams({ sheet, as, form, paper, today: today(), ...(teacher ? { teacher } : {}) })}`;
  if (waiting) return <p className="no-print mt-1 text-soft">Files to hand out come once all is saved.</p>;
  return (
    <details className="no-print mt-1">
      <summary>Hand it out: PDF, text document, captions</summary>
      <table className="mt-1 text-[15px]">
        <tbody>
          {HANDOUT_SHEET_IDS.map((sheet) => (
            <tr key={sheet}>
              <th scope="row" className="pr-4 text-left font-normal">
                {HANDOUT_SHEETS[sheet]}
              </th>
              {formatsOf('sheet').map((as) => (
                <td key={as} className="pr-3">
                  <a className="underline" href={link(sheet, as)} download>
                    {HANDOUT_FORMATS[as].name}
                    <span className="sr-only">, {HANDOUT_SHEETS[sheet]}</span>
                  </a>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 flex flex-wrap gap-x-4">
        {formatsOf('class').map((as) => (
          <a key={as} className="underline" href={link('script', as)} download>
            {HANDOUT_FORMATS[as].name}
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
