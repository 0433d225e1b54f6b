import { answersOf, type Choices, SCHOOL_IDS, SCHOOLS, type SchoolId } from '@warm-ladder/core/method';
import { selectCatalog } from '../../app/store/selectors';
import { useAppSelector } from '../../app/store/store';
import { Sheet } from '../Sheet';
import { Choice } from './Choice';

interface ChoicesSheetProps {
  /** “In this class”. */
  readonly title: string;
  readonly value: Partial<Choices> | undefined;
  /** The questions that are open here; all when unsaid. */
  readonly schools?: readonly SchoolId[];
  readonly onChange: (value: Partial<Choices> | undefined) => void;
  readonly close: () => void;
}

/** What is chosen otherwise in one place, where good practitioners differ; what says nothing is done as the house does it. */
export default function ChoicesSheet({ title, value = {}, schools = SCHOOL_IDS, onChange, close }: ChoicesSheetProps) {
  const house = useAppSelector(selectCatalog).method.choices;
  const choose = (school: SchoolId, answer: string) => {
    const { [school]: _old, ...others } = value;
    const next = answer === '' ? others : { ...others, [school]: answer };
    onChange(Object.keys(next).length > 0 ? next : undefined);
  };
  const wordsOf = (school: SchoolId, answer: string): string =>
    (SCHOOLS[school].answers as Readonly<Record<string, string>>)[answer] ?? answer;
  return (
    <Sheet
      open
      onOpenChange={close}
      title={title}
      about="Where good practitioners differ: what is chosen here is said here, in place of what the house says."
    >
      <ul className="flex flex-col gap-2 text-[17px]">
        {schools.map((school) => (
          <li key={school}>
            {SCHOOLS[school].sentence}{' '}
            <Choice
              label={SCHOOLS[school].sentence}
              value={value[school] ?? ''}
              choices={[
                ['', `${wordsOf(school, house[school])}, as the house`],
                ...answersOf(school).map((answer) => [answer, wordsOf(school, answer)] as const),
              ]}
              onChange={(answer) => choose(school, answer)}
            />
            .
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
