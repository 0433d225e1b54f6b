/** What a class is handed out as. */
export const HANDOUT_FORMATS = ['json', 'md', 'csv', 'vtt', 'srt', 'pdf', 'docx'] as const;
export type HandoutFormat = (typeof HANDOUT_FORMATS)[number];

/** Which sheet of it: all that is said, the class on one page, its levels, what is needed, for who takes part, for who covers it. */
export const HANDOUT_SHEETS = ['script', 'card', 'room-card', 'equipment', 'home', 'cover'] as const;
export type HandoutSheet = (typeof HANDOUT_SHEETS)[number];

/** A class as it is planned, or in its short form. */
export const FORMS = ['whole', 'short'] as const;
export type Form = (typeof FORMS)[number];

export const PAPERS = ['a4', 'letter'] as const;
