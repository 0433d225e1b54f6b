/** A text as it is compared: small letters without accents, and single spaces for all that is neither letter nor digit. */
export const plainWords = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

/** An id made from a name: `Rowers, sixty` becomes `rowers-sixty`; `untitled` where no letter of it can stand in one. */
export function idOf(name: string): string {
  const id =
    plainWords(name)
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 55)
      .replace(/-+$/, '') || 'untitled';
  // Words every object answers to are no keys.
  return id === 'constructor' ? 'constructor-1' : id;
}
