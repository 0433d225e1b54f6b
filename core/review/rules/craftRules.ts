import { propsNeeded } from '../../plan';
import { CRAFT_TERMS, weightOf } from '../craft/craft';
import { type CraftTerm, TOLD_FROM } from '../craft/term';
import type { Found } from '../finding';
import { NOTHING, type Rule, WHOLE_CLASS, type WholeRule } from '../rule';

/** What is said where a term of craft is missed by more than half; what it costs is the term's own. */
const told = (term: (typeof CRAFT_TERMS)[number]): WholeRule[] => {
  const { finding, unit, name, drills }: CraftTerm<typeof term.name> = term;
  if (!finding) return [];
  const { find, ...rule } = finding;
  return [
    {
      ...rule,
      part: 'craft',
      purposes: drills ? ['class', 'drill'] : WHOLE_CLASS,
      unit,
      costs: (subject) => (subject.craft.get(name)?.distance ?? 0) * weightOf(term, subject),
      find: (subject) => {
        const weighed = subject.craft.get(name);
        if (!weighed || weighed.distance <= TOLD_FROM) return NOTHING;
        const { value, limit: most } = weighed;
        return [{ ...find(subject, weighed), value, limit: most }];
      },
    },
  ];
};

/** Something large that nobody in the room has been told to have. */
const propUnasked: WholeRule = {
  code: 'PROP_UNASKED',
  part: 'props',
  severity: 'look',
  purposes: WHOLE_CLASS,
  unit: 'times',
  presence: true,
  limit: 'named by the audience’s `equipment` or `props`, or in the opening words',
  says: 'the class needs something large that nobody was told to have',
  find: ({ timed, audience }) => {
    if (audience?.equipment) return NOTHING;
    const found = new Map<string, Found>();
    const opening = (timed.plan.openingWords ?? []).join(' ').toLowerCase();
    for (const part of timed.sequence) {
      for (const { id, name, large } of propsNeeded(part)) {
        if (!large || audience?.props?.[id] !== undefined || opening.includes(name.toLowerCase())) continue;
        const known = found.get(id);
        const blocks = [...(known?.blocks ?? []), part.index];
        found.set(id, { blocks, about: id, value: 1, limit: 0 });
      }
    }
    return found.size === 0 ? NOTHING : [...found.values()];
  },
  sentence: ({ blocks, about = '' }, subject) =>
    `${subject.titleAt(blocks[0])} needs “${subject.catalog.prop(about)?.name}”, and neither the opening nor the audience says that people have one.`,
};

export const CRAFT_RULES: readonly Rule[] = [...CRAFT_TERMS.flatMap(told), propUnasked];
