import { answersOf, type Choices, ORDERS, type Order, SCHOOL_IDS, type SchoolId } from '../method';
import type { MethodFile } from '../method/methodSchema';
import type { ClassPlan } from '../plan';
import { Catalog, type CatalogSource } from '../repertoire';
import type { ReviewContext } from '../review';
import { type Difference, differenceOf } from './apart';
import { outlineOf } from './outline';

/** A question of the method, and one of its answers. */
export type Answer =
  | { readonly [S in SchoolId]: { readonly question: S; readonly answer: Choices[S] } }[SchoolId]
  | { readonly question: 'order'; readonly answer: Order };

/** Every answer to every question on which good practitioners differ. */
export const ANSWERS: readonly Answer[] = [
  ...SCHOOL_IDS.flatMap((question) => answersOf(question).map((answer) => ({ question, answer }) as Answer)),
  ...ORDERS.map((answer): Answer => ({ question: 'order', answer })),
];

/** A method with one question answered otherwise. */
export const withAnswer = (file: MethodFile, { question, answer }: Answer): MethodFile =>
  question === 'order' ? { ...file, order: answer } : { ...file, choices: { ...file.choices, [question]: answer } };

export interface Effect {
  readonly answer: Answer;
  readonly difference: Difference;
}

/**
 * What each answer would change of a class, beside the method as it is. What a rung measures is measured once for all
 * of them.
 * @throws PlanError when the class does not fit the repertoire
 */
export function effectsOn(source: CatalogSource, plan: ClassPlan, context: ReviewContext = {}): Effect[] {
  const { method = {} } = source;
  const now = outlineOf(new Catalog(source), plan, context);
  return ANSWERS.map((answer) => {
    const other = new Catalog({ ...source, method: withAnswer(method, answer) });
    return { answer, difference: differenceOf(now, outlineOf(other, plan, context)) };
  });
}
