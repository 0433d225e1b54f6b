/** What is wrong, as a sentence of its own. @example asSentence('expected a name') // 'Expected a name.' */
export const asSentence = (fault: string): string => `${fault.charAt(0).toUpperCase()}${fault.slice(1)}.`;
