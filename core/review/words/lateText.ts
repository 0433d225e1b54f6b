/** Chances below which, or beyond whose opposite, a number says less than a word. */
const HARDLY = 0.02;

/** How often a class runs late, as people count: 1 class in 5, 7 classes in 10. @param chance from 0 to 1 */
export function lateText(chance: number): string {
  if (chance < HARDLY) return 'almost never runs late';
  if (chance > 1 - HARDLY) return 'almost always runs late';
  if (chance >= 0.45) return `${Math.round(chance * 10)} classes in 10 run late`;
  return `1 class in ${Math.round(1 / chance)} runs late`;
}

/** What is left out first when a class runs late. @example giveText(1) // 'may go first' */
export const giveText = (give: number | undefined): string | null =>
  give === undefined ? null : `may go ${ORDINALS[give - 1] ?? `as number ${give}`}`;
const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];
