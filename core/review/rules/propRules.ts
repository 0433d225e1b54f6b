import { propsNeeded } from '../../plan';
import { type Catalog, type Prop, peakOf, type RungEntry } from '../../repertoire';
import { type Found, rungTitle } from '../finding';
import { type BlockRule, NOTHING, type Rule, type WholeRule } from '../rule';

/** Props of a rung that an audience does not have at hand. */
export const lackingOf = ({ props }: RungEntry, equipment: readonly string[] | undefined): readonly Prop[] =>
  equipment ? props.filter(({ id }) => !equipment.includes(id)) : [];

const propLacking: WholeRule = {
  code: 'PROP_LACKING',
  arisesFrom: 'audience',
  part: 'props',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'the audience’s `equipment`',
  says: 'a block, or an interlude, needs a prop the audience does not have at hand',
  ofOrder: true,
  find: ({ timed, audience }) => {
    if (!audience?.equipment) return NOTHING;
    let found: Found[] | undefined;
    for (const part of timed.sequence) {
      for (const { id } of propsNeeded(part)) {
        if (audience.equipment.includes(id)) continue;
        found ??= [];
        found.push({ blocks: [part.index], about: id, value: 0, limit: 1 });
      }
    }
    return found ?? NOTHING;
  },
  sentence: ({ blocks, about = '' }, subject) => {
    const { name, standIn } = subject.catalog.prop(about) as Prop;
    return `${subject.titleAt(blocks[0])} needs “${name}”, which ${subject.audience?.name} do not have at hand${standIn ? `; at home ${standIn} will do` : ''}.`;
  },
};

/** Degrees towards the neck from which a body is rolled over. */
const ROLLED_OVER = 25;
const UNDER_SPINE = new Set(['head', 'ribs', 'shoulders', 'pelvis']);

/**
 * What lies in the way of a rung: a cushion under a head that rolls, something hard under a spine that passes over it.
 * Where the rung does not say what a small prop is for, and nothing squeezes or holds it, it lies under the head.
 */
function inTheWay(catalog: Catalog, entry: RungEntry): readonly Prop[] {
  return catalog.worth(entry).remembered('inTheWay', () => {
    const features = catalog.features(entry);
    const rolls = peakOf(features, 'rolling') > 0 || peakOf(features, 'neckWeight') > ROLLED_OVER;
    return rolls ? entry.props.filter((prop) => liesUnder(entry, prop)) : [];
  });
}

function liesUnder({ rung }: RungEntry, { id, large }: Prop): boolean {
  const places = Object.entries(rung.on ?? {}).flatMap(([support, prop]) => (prop === id ? [support] : []));
  if (places.length > 0) return places.some((support) => UNDER_SPINE.has(support));
  const held = Object.values(rung.poses).some(({ holds }) => Object.values(holds ?? {}).includes(id));
  const loaded = Object.values(rung.poses).some(({ weights }) => weights !== undefined);
  return !large && !held && !loaded && !rung.phases.some(({ squeeze }) => squeeze);
}

const propInTheWay: BlockRule = {
  code: 'PROP_IN_THE_WAY',
  part: 'props',
  severity: 'fix',
  unit: 'times',
  presence: true,
  limit: 'never',
  says: 'a prop lies under a head or a spine that rolls over it',
  findIn: ({ laid: { entry }, room: { catalog } }) =>
    entry.props.length === 0 ? NOTHING : inTheWay(catalog, entry).map(({ id }) => ({ about: id, value: 1, limit: 0 })),
  sentence: ({ about = '' }, { laid, room: { catalog } }) =>
    `${rungTitle(laid.entry)} rolls over “${catalog.prop(about)?.name}”; it has to come out first.`,
};

export const PROP_RULES: readonly Rule[] = [propLacking, propInTheWay];
