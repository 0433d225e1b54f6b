/** What a document is called: its name, or what else tells it. */
export const nameOf = (value: unknown, id: string): string =>
  typeof value === 'object' && value !== null && 'name' in value
    ? String(value.name)
    : id === 'house'
      ? 'The method'
      : id;
