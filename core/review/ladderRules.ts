import type { Catalog, RungEntry, RungRef } from '../repertoire';
import { rungKey } from '../repertoire';
import { type Finding, type Remedy, type Rule, rungTitle } from './finding';

/** A rung is met by itself or by a higher one of its own ladder. */
function isMet(catalog: Catalog, required: RungRef, met: ReadonlySet<string>): boolean {
  const key = rungKey(required);
  if (met.has(key)) return true;
  const entry = catalog.rung(required);
  const higher = entry?.exercise.rungs.slice(entry.step + 1) ?? [];
  return higher.some(({ id }) => met.has(rungKey({ exercise: required.exercise, rung: id })));
}

/** The nearest lower rung of a ladder whose own requirements are met. */
function lowerWithoutNeed(catalog: Catalog, entry: RungEntry, met: ReadonlySet<string>): string | undefined {
  return entry.exercise.rungs
    .slice(0, entry.step)
    .findLast(({ requires = [] }) => requires.every((required) => isMet(catalog, required, met)))?.id;
}

/** Unprepared is a fix; unprepared and hotter than the room can take is unsafe. */
export const requirementsRule: Rule = ({ timed, catalog, audience, earlier }) => {
  const met = new Set(earlier);
  const findings: Finding[] = [];
  for (const { index, entry, block } of timed.blocks) {
    for (const required of entry.rung.requires ?? []) {
      if (isMet(catalog, required, met)) continue;
      const need = catalog.rung(required);
      const remedies: Remedy[] = [];
      const lower = lowerWithoutNeed(catalog, entry, met);
      if (lower !== undefined) {
        const name = entry.exercise.rungs.find(({ id }) => id === lower)?.name;
        remedies.push({
          label: `Teach the lower rung “${name}” instead`,
          edits: [{ kind: 'set', block: index, change: { rung: lower } }],
        });
      }
      if (need) {
        remedies.push({
          label: `Teach ${rungTitle(need)} before it`,
          edits: [{ kind: 'insert', at: index, block: { ...required, mode: 'teach' } }],
        });
      }
      findings.push({
        code: 'REQUIREMENT_UNMET',
        severity: catalog.heat(entry) > (audience?.homeHeat ?? catalog.method.limits.homeHeat) ? 'stop' : 'fix',
        blocks: [index],
        value: 0,
        limit: 1,
        unit: '',
        message: `${rungTitle(entry)} comes before people have learnt ${need ? rungTitle(need) : rungKey(required)}.`,
        remedies,
      });
    }
    met.add(rungKey(block));
  }
  return findings;
};

/** A home rung hotter than the audience's own needs a lower rung offered beside it. */
export const lowerOptionRule: Rule = ({ timed, catalog, audience }) => {
  const limit = audience?.homeHeat ?? catalog.method.limits.homeHeat;
  return timed.blocks.flatMap(({ index, entry, block }): Finding[] => {
    const value = catalog.heat(entry);
    const steps = (block.options ?? []).map((option) => entry.exercise.rungs.findIndex(({ id }) => id === option));
    if (value <= limit || steps.some((step) => step >= 0 && step < entry.step)) return [];
    const lower = entry.exercise.rungs[entry.step - 1];
    return [
      {
        code: 'OPTION_MISSING',
        severity: 'fix',
        blocks: [index],
        value,
        limit,
        unit: '',
        message: `${rungTitle(entry)} has heat ${Math.round(value)}, above ${audience?.name ?? 'the room'} (${limit}), and no lower rung is offered.`,
        remedies: lower
          ? [
              {
                label: `Offer the lower rung “${lower.name}”`,
                edits: [{ kind: 'set', block: index, change: { options: [lower.id, ...(block.options ?? [])] } }],
              },
            ]
          : [],
      },
    ];
  });
};
