import { CONDITIONS } from '../caution';
import { clock, giveText, spell } from '../review';
import { describeBlock, detailsText, GENERAL_ADVICE } from '../script';
import { cardOf, type Handout, type HandoutCell, type HandoutPart } from './handout';
import { propsWords, type SpokenClass } from './spokenClass';
import { whenLate } from './whenLate';

/**
 * A class handed to somebody who covers it: on one page who comes and what to mind with them, what is done when, what may
 * go when it runs late, and when to stop. Conditions are named only where they point at nobody.
 */
export function coverHandout(spoken: SpokenClass): Handout {
  const { plan, timed, catalog, context, group, conditions, audience } = spoken;
  const card = cardOf(spoken);
  const who = context.audience;
  const size = group ?? who?.size;
  const limits = { ...catalog.method.limits, ...who?.limits };
  const text = (words: string): HandoutPart => ({ kind: 'text', text: words });
  const rows = timed.sequence.map((part): HandoutCell[] => {
    if (part.kind === 'interlude') {
      const words = [part.block.words?.[0], giveText(part.block.give)].filter(Boolean).join('; ');
      return [
        { text: clock(part.startSeconds) },
        { text: '' },
        { text: part.block.name },
        { text: words },
        { text: '' },
      ];
    }
    const told = describeBlock(timed, part);
    const row = card.rows.find(({ id }) => id === part.block.id);
    const mind = card.askBefore && (row?.mustNot.length ?? 0) > 0 ? 'ask before' : (row?.mustNot.join(', ') ?? '');
    return [
      { text: clock(part.startSeconds) },
      { text: '', figure: part.entry },
      { text: told.name },
      { text: [told.dose, detailsText(told), part.block.notes ?? ''].filter(Boolean).join('; ') },
      { text: [row?.lower && `lower: ${row.lower.entry.rung.name}`, mind].filter(Boolean).join('; ') },
    ];
  });
  return {
    title: `${plan.name}: for who covers it`,
    about: [
      `${clock(timed.seconds)} of ${plan.targetMinutes} minutes`,
      `for ${audience}${size === undefined ? '' : `, ${size} people`}`,
      propsWords(spoken),
    ].join(' · '),
    parts: [
      ...(who?.notes ? [text(who.notes)] : []),
      text(
        `Everybody here can take heat ${Math.round(who?.homeHeat ?? limits.homeHeat)}; the class works from ${card.from} to ${card.to}. Opening ${spell(plan.openingSeconds)}, closing ${spell(plan.closingSeconds)}.`,
      ),
      ...(conditions.length === 0
        ? []
        : card.askBefore
          ? [text('Ask before you begin who needs something else today: the table says where.')]
          : conditions.map((each) => text(`${CONDITIONS[each].name}: ${CONDITIONS[each].always}`))),
      {
        kind: 'table',
        head: ['', '', 'What', 'How', 'Instead, and with whom'],
        widths: [0.07, 0.1, 0.34, 0.25, 0.24],
        rows,
      },
      ...whenLate(spoken).map(text),
      text(`Everybody stops, whatever the level: ${catalog.method.stopSigns.join(', ')}.`),
      text(GENERAL_ADVICE),
    ],
    foot: `${plan.name}   Covered by: ______________   Date: ______________   What to tell: ______________`,
  };
}
