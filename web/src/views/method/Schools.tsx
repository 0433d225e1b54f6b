import { DEFAULT_CHOICES, type MethodFile, ORDER_WORDS, ORDERS, SCHOOL_IDS, SCHOOLS } from '@warm-ladder/core/method';
import { ANSWERS, type Answer, type Difference, type Effect } from '@warm-ladder/core/versions';
import { differenceText } from '../../parts/classes/versionText';

type Question = Answer['question'];
const QUESTIONS: readonly Question[] = [...SCHOOL_IDS, 'order'];

const sentenceOf = (question: Question): string =>
  question === 'order' ? 'Classes are put in order' : SCHOOLS[question].sentence;

const wordsOf = ({ question, answer }: Answer): string =>
  question === 'order'
    ? ORDER_WORDS[answer].toLowerCase()
    : ((SCHOOLS[question].answers as Readonly<Record<string, string>>)[answer] ?? answer);

const chosenIn = ({ choices = {}, order = ORDERS[0] }: MethodFile, question: Question): string =>
  question === 'order' ? order : (choices[question] ?? DEFAULT_CHOICES[question]);

interface SchoolsProps {
  readonly method: MethodFile;
  /** What each answer would change of the class it is shown on; empty until it is worked out. */
  readonly effects: readonly Effect[];
  readonly onAnswer: (answer: Answer) => void;
}

/** Where good practitioners differ: each choice of the house as a sentence, and what the other answers would change. */
export function Schools({ method, effects, onAnswer }: SchoolsProps) {
  return (
    <div className="mt-2 grid gap-x-12 gap-y-5 lg:grid-cols-2">
      {QUESTIONS.map((question) => {
        const chosen = chosenIn(method, question);
        return (
          <fieldset key={question} className="min-w-0">
            <legend className="font-name text-lg">
              {sentenceOf(question)}{' '}
              <strong className="font-semibold">
                {ANSWERS.filter((each) => each.question === question && each.answer === chosen).map(wordsOf)}
              </strong>
              .
            </legend>
            {ANSWERS.filter((each) => each.question === question).map((each) => (
              <label key={each.answer} className="flex items-baseline gap-2 py-0.5">
                <input type="radio" name={question} checked={each.answer === chosen} onChange={() => onAnswer(each)} />
                <span className="min-w-0">
                  {wordsOf(each)}
                  {each.answer !== chosen && <EffectOf effect={effects.find(({ answer }) => same(answer, each))} />}
                </span>
              </label>
            ))}
          </fieldset>
        );
      })}
    </div>
  );
}

const same = (a: Answer, b: Answer): boolean => a.question === b.question && a.answer === b.answer;

const EffectOf = ({ effect }: { effect: Effect | undefined }) => (
  <span className="ml-2 text-sm text-soft" title={effect && detailOf(effect.difference)}>
    {effect ? differenceText(effect.difference) : '…'}
  </span>
);

/** The first of what would change, to be read before it is chosen. */
function detailOf({ findings, lines }: Difference): string {
  const told = [
    ...findings.come.map((each) => `Found: ${each}`),
    ...findings.gone.map((each) => `No longer found: ${each}`),
    ...lines.come.map((each) => `Said: ${each}`),
  ];
  return told.slice(0, MOST_TOLD).join('\n');
}
const MOST_TOLD = 8;
