/** Control characters, the end of a line apart: a file of somebody else's could move the cursor of a terminal with them. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: control characters are exactly what is taken out here.
const CONTROL = /[\u0000-\u0009\u000b-\u001f\u007f-\u009f]/g;

/** Prints a sentence to the terminal, with what is no letter of it in sight. */
export function sayError(sentence: string): void {
  console.error(sentence.replace(CONTROL, (each) => `\\x${each.charCodeAt(0).toString(16).padStart(2, '0')}`));
}
