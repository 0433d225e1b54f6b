/**
 * The text of a table as spreadsheets write it: UTF-8 (with or without a byte-order mark), or UTF-16 in either order of
 * bytes, as some call “Unicode text”. What is none of these is read as UTF-8, and its reader finds no columns.
 */
export function decodeTable(bytes: Uint8Array): string {
  const [first, second] = bytes;
  const encoding =
    (first === 0xff && second === 0xfe) || (first !== 0 && second === 0)
      ? 'utf-16le'
      : (first === 0xfe && second === 0xff) || (first === 0 && second !== 0 && second !== undefined)
        ? 'utf-16be'
        : 'utf-8';
  return new TextDecoder(encoding).decode(bytes);
}
