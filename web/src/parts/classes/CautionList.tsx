import { type Caution, CONDITIONS, measuredText } from '@warm-ladder/core/caution';
import { CautionMark } from './CautionMark';

/** Every caution that fired: how to meet it, why, and what was measured. */
export function CautionList({ cautions }: { cautions: readonly Caution[] }) {
  return (
    <ul className="mt-1 flex flex-col gap-1 pl-4">
      {cautions.map(({ condition, feature, verdict, value, over, how, why, reason }) => (
        <li key={`${condition}/${feature}`}>
          <CautionMark verdict={verdict} /> {CONDITIONS[condition].name}: {how}{' '}
          <span className="text-soft">
            {why} Measured: {measuredText(feature, value, over)}.{reason && ` House rule: ${reason}`}
          </span>
        </li>
      ))}
    </ul>
  );
}
