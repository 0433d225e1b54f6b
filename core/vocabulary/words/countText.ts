/**
 * A number with its word.
 * @example countText(1, 'class', 'classes') // '1 class'
 */
export const countText = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
