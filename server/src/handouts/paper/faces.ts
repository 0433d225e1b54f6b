import { createRequire } from 'node:module';
import { openSync } from 'fontkit';

const font = createRequire(import.meta.url);
const family = (style: string) => font.resolve(`@expo-google-fonts/${style}.ttf`);

/** The faces of paper: names stand wide, what is read stands narrow, as on the screen. */
const HOUSE = {
  name: family('archivo/600SemiBold/Archivo_600SemiBold'),
  strong: family('archivo-narrow/600SemiBold/ArchivoNarrow_600SemiBold'),
  plain: family('archivo-narrow/400Regular/ArchivoNarrow_400Regular'),
} as const;
export type Face = keyof typeof HOUSE;

/** What stands in for words the house faces lack a letter of: Greek and Cyrillic. */
const STAND_IN: Readonly<Record<Face, string>> = {
  name: font.resolve('source-sans/TTF/SourceSans3-Semibold.ttf'),
  strong: font.resolve('source-sans/TTF/SourceSans3-Semibold.ttf'),
  plain: font.resolve('source-sans/TTF/SourceSans3-Regular.ttf'),
};

interface Letters {
  hasGlyphForCodePoint(code: number): boolean;
}
const opened = new Map<string, Letters>();

function hasAll(file: string, text: string): boolean {
  const letters = opened.get(file) ?? (openSync(file) as unknown as Letters);
  opened.set(file, letters);
  for (const letter of text) if (!letters.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0)) return false;
  return true;
}

/** The file a text is set in: of the house, or the one that stands in for all of it. */
export const fileFor = (face: Face, text: string): string => (hasAll(HOUSE[face], text) ? HOUSE[face] : STAND_IN[face]);

/** Whether the face that stands in has every letter. */
export const standsIn = (text: string): boolean => hasAll(STAND_IN.plain, text);

/** Whether it can be set in one face. */
export const canSet = (text: string): boolean => hasAll(HOUSE.plain, text) || standsIn(text);
