const COORDINATES: Readonly<Record<string, number>> = { m: 2, l: 2, c: 6, q: 4, v: 1, h: 1, a: 7 };

/**
 * A small path drawn elsewhere and at another size, so that many marks can be one path: a transform on each would
 * make each a layer of its own to the browser, which a long class feels.
 * @param d commands M L C Q V H A, absolute or relative, and Z
 */
export function placePath(d: string, dx: number, dy: number, scale: number): string {
  return d.replace(/([a-zA-Z])([^a-zA-Z]*)/g, (_whole, command: string, rest: string) => {
    const kind = command.toLowerCase();
    const count = COORDINATES[kind] ?? 0;
    const shift = command === kind ? [0, 0] : [dx, dy];
    const values = (rest.match(/-?\d*\.?\d+/g) ?? []).map(Number);
    const placed = values.map((value, i) => {
      const n = i % count;
      // An arc's radii only scale; its angle and flags stay.
      if (kind === 'a' && n < 5) return n < 2 ? value * scale : value;
      const axis = kind === 'v' ? 1 : kind === 'h' ? 0 : kind === 'a' ? n - 5 : n % 2;
      return value * scale + (shift[axis] ?? 0);
    });
    return command + placed.map((value) => Math.round(value * 100) / 100).join(' ');
  });
}
