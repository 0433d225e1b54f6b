import {
  CAUTION_RULES,
  type CautionChange,
  type CautionRule,
  CONDITION_IDS,
  CONDITIONS,
  type Condition,
  isAbout,
} from '@warm-ladder/core/caution';
import { textFault } from '@warm-ladder/core/method';
import { FEATURES } from '@warm-ladder/core/repertoire';
import { RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { CautionMark } from '../../parts/classes/CautionMark';
import { LIMITS } from '../../parts/fields/limits';
import { NumberField } from '../../parts/fields/NumberField';
import { Sheet } from '../../parts/Sheet';

interface CautionRulesProps {
  readonly changes: readonly CautionChange[];
  readonly onChange: (changes: readonly CautionChange[], field: string) => void;
}

/** A rule of the table: where it holds for several positions with advice of their own, all of them together. */
const rulesOf = (condition: Condition): CautionRule[][] => {
  const own = CAUTION_RULES.filter((rule) => rule.condition === condition);
  const keys = [...new Set(own.map(keyOf))];
  return keys.map((key) => own.filter((rule) => keyOf(rule) === key));
};
const keyOf = ({ feature, verdict }: CautionRule): string => `${feature}/${verdict}`;

/**
 * The table of cautions, condition by condition: what a rule reads, from where it speaks, what it advises. The house
 * may change one, with the reason, which then stands beside it wherever it speaks.
 */
export function CautionRules({ changes, onChange }: CautionRulesProps) {
  const [condition, setCondition] = useState<Condition>(changes[0]?.condition ?? 'low-back-pain');
  const [open, setOpen] = useState<readonly CautionRule[] | null>(null);
  const without = (rule: CautionRule) => changes.filter((change) => !isAbout(change, rule));
  const field = (rule: CautionRule) => `caution ${rule.condition} ${keyOf(rule)}`;
  return (
    <section aria-label="Cautions" className="mt-4 border-t border-line pt-4">
      <h2 className="font-name text-xl font-semibold">Cautions</h2>
      <p className="max-w-prose text-sm text-soft">
        Limits and advice are careful starting values. A house may change one, with its reason; local rules and the word
        of a doctor, midwife or physiotherapist come first.
      </p>
      <label className="mt-2 inline-block">
        Rules for{' '}
        <select
          className="field"
          value={condition}
          onChange={({ target }) => setCondition(CONDITION_IDS.find((each) => each === target.value) ?? condition)}
        >
          {CONDITION_IDS.map((id) => {
            const changed = changes.filter((each) => each.condition === id).length;
            return (
              <option key={id} value={id}>
                {CONDITIONS[id].name}
                {changed > 0 ? ` (${changed} changed)` : ''}
              </option>
            );
          })}
        </select>
      </label>
      <ul className="mt-2 text-[15px]">
        {rulesOf(condition).map((rules) => {
          const [rule] = rules as [CautionRule];
          const change = changes.find((each) => isAbout(each, rule));
          return (
            <li key={keyOf(rule)} className="flex flex-wrap items-baseline gap-x-3 border-b border-line/60 py-1.5">
              <span className="w-64 shrink-0 font-semibold">
                {FEATURES[rule.feature].words}{' '}
                <span className="font-normal text-soft">
                  {[...new Set(rules.map((each) => overText(rule, change?.over ?? each.over)))].join(', ')}
                </span>
              </span>
              <span className="w-52 shrink-0">
                <CautionMark verdict={rule.verdict} />
              </span>
              <span className="min-w-64 grow basis-0">
                {change?.off ? (
                  <span className="text-alarm">The house does not use this rule.</span>
                ) : (
                  (change?.how ?? rules.map(({ how }) => how).join(' '))
                )}
                {change && <span className="block text-sm text-soft">House rule: {change.reason}</span>}
              </span>
              {change && (
                <button
                  type="button"
                  className="rounded px-1.5 text-sm text-soft hover:bg-shade"
                  onClick={() => onChange(without(rule), field(rule))}
                >
                  <RotateCcw className="inline size-3.5" aria-hidden="true" /> back to where it started
                </button>
              )}
              <button
                type="button"
                className="action text-sm"
                aria-label={`Change: ${FEATURES[rule.feature].words}, ${rule.verdict}`}
                onClick={() => setOpen(rules)}
              >
                Change
              </button>
            </li>
          );
        })}
      </ul>
      {open?.[0] && (
        <ChangeSheet
          rules={open}
          change={changes.find((each) => isAbout(each, open[0] as CautionRule))}
          close={() => setOpen(null)}
          onChange={(change) => {
            onChange([...without(open[0] as CautionRule), change], field(open[0] as CautionRule));
            setOpen(null);
          }}
        />
      )}
    </section>
  );
}

function overText({ feature }: CautionRule, over: number): string {
  const { unit } = FEATURES[feature];
  return unit === '' || over === 0 ? 'at all' : `over ${over}${unit === '°' ? '' : ' '}${unit}`;
}

interface ChangeSheetProps {
  readonly rules: readonly CautionRule[];
  readonly change: CautionChange | undefined;
  readonly close: () => void;
  readonly onChange: (change: CautionChange) => void;
}

/** A change of one rule: nothing is taken before there is a reason. */
function ChangeSheet({ rules, change, close, onChange }: ChangeSheetProps) {
  const [rule] = rules as [CautionRule];
  const { condition, feature, verdict } = rule;
  const { words, unit } = FEATURES[feature];
  const [over, setOver] = useState(change?.over ?? rule.over);
  const [how, setHow] = useState(change?.how ?? rule.how);
  const [off, setOff] = useState(change?.off ?? false);
  const [reason, setReason] = useState(change?.reason ?? '');
  const fault = textFault('sentence', reason) ?? (off ? undefined : textFault('sentence', how));
  const keep = () => {
    const said = off
      ? { off: true }
      : {
          ...(rules.every((each) => each.over === over) ? {} : { over }),
          ...(rules.every((each) => each.how === how.trim()) || how === rule.how ? {} : { how: how.trim() }),
        };
    onChange({ condition, feature, verdict, ...said, reason: reason.trim() });
  };
  return (
    <Sheet
      open
      onOpenChange={close}
      title={`${CONDITIONS[condition].name}: ${words}`}
      about={`${rule.why}${rules.length > 1 ? ' What is changed here holds in every position the rule speaks of.' : ''}`}
    >
      <form
        className="flex flex-col items-start gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (fault === undefined) keep();
        }}
      >
        <label className="flex gap-2">
          <input type="checkbox" checked={off} onChange={({ target }) => setOff(target.checked)} /> The house does not
          use this rule
        </label>
        {!off && unit !== '' && (
          <span>
            Warns above{' '}
            <NumberField
              label="Warns above"
              value={over}
              limits={LIMITS.CautionChange.over}
              className="w-20"
              onChange={setOver}
            />{' '}
            {unit}
          </span>
        )}
        {!off && (
          <label className="w-full">
            How to meet it
            <input className="field w-full" value={how} onChange={({ target }) => setHow(target.value)} />
          </label>
        )}
        <label className="w-full">
          Why the house changes it
          <input className="field w-full" value={reason} onChange={({ target }) => setReason(target.value)} />
        </label>
        {fault !== undefined && (
          <p className="text-sm text-soft">
            {textFault('sentence', reason) === undefined ? `The advice: ${fault}.` : 'A change needs its reason.'}
          </p>
        )}
        <button type="submit" className="action action-main" disabled={fault !== undefined}>
          Change the rule
        </button>
      </form>
    </Sheet>
  );
}
