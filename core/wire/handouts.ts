/** A class as it is planned, or in its short form. */
export const FORMS = ['whole', 'short'] as const;
export type Form = (typeof FORMS)[number];

export const PAPERS = ['a4', 'letter'] as const;
