/** How far a block goes, in words. @example rangeWords(0.5) // 'Half' */
export function rangeWords(share: number): string {
  if (share === 0.5) return 'Half';
  if (share === 0.75) return 'Three quarters';
  if (share === 0.25) return 'A quarter';
  return `${Math.round(share * 100)} %`;
}
