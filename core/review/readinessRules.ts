import { PREPARATIONS, preparersOf, prepares } from '../repertoire';
import { type Finding, type Remedy, type Rule, rungTitle } from './finding';

/** What a rung wants to have happened earlier in the same class. */
export const preparationRule: Rule = ({ timed, catalog }) =>
  timed.blocks.flatMap(({ entry, index }): Finding[] =>
    (entry.rung.preparation ?? []).flatMap((preparation): Finding[] => {
      const earlier = timed.blocks.slice(0, index);
      if (earlier.some((block) => prepares(catalog, block.entry, preparation))) return [];
      const [first] = preparersOf(catalog, preparation, entry.exercise.position).filter(({ key }) => key !== entry.key);
      const remedies: Remedy[] = first
        ? [
            {
              label: `Do ${rungTitle(first)} before it`,
              edits: [
                {
                  kind: 'insert',
                  at: index,
                  block: { exercise: first.exercise.id, rung: first.rung.id, mode: 'teach' },
                },
              ],
            },
          ]
        : [];
      return [
        {
          code: 'PREPARATION_MISSING',
          severity: 'look',
          blocks: [index],
          value: 0,
          limit: 1,
          unit: '',
          message: `${rungTitle(entry)} wants ${PREPARATIONS[preparation]} first; nothing before it in this class does that.`,
          remedies,
        },
      ];
    }),
  );

/** A prop the audience does not have at hand. */
export const propsRule: Rule = ({ timed, audience }) => {
  const { equipment } = audience ?? {};
  if (!equipment) return [];
  return timed.blocks.flatMap(({ entry, index }): Finding[] =>
    entry.props
      .filter(({ id }) => !equipment.includes(id))
      .map(({ name }) => ({
        code: 'PROP_LACKING',
        severity: 'fix',
        blocks: [index],
        value: 0,
        limit: 1,
        unit: '',
        message: `${rungTitle(entry)} needs “${name}”, which ${audience?.name} do not have at hand.`,
        remedies: [],
      })),
  );
};
