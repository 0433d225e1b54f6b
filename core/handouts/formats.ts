/** What a format is of: one of the sheets, or the class as a whole, whatever the sheet. */
type Of = 'sheet' | 'class';

/**
 * What a class is handed out as: its name on the page, the type it is sent as, what it is of. Routes, the page's list and
 * the command have theirs from here; how each is written is asked of by the compiler (`server/src/handouts/handOut`).
 */
export const HANDOUT_FORMATS = {
  pdf: { name: 'PDF', media: 'application/pdf', of: 'sheet' },
  docx: {
    name: 'DOCX',
    media: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
    of: 'sheet',
  },
  md: { name: 'Markdown', media: 'text/markdown; charset=utf-8', of: 'sheet' },
  csv: { name: 'Plan as a table (CSV)', media: 'text/csv; charset=utf-8; header=present', of: 'class' },
  vtt: { name: 'Captions (WebVTT)', media: 'text/vtt; charset=utf-8', of: 'class' },
  srt: { name: 'Captions (SRT)', media: 'application/x-subrip; charset=utf-8', of: 'class' },
  json: { name: 'All that is said, as data (JSON)', media: 'application/json; charset=utf-8', of: 'class' },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly media: string; readonly of: Of }>>;
export type HandoutFormat = keyof typeof HANDOUT_FORMATS;
export const HANDOUT_FORMAT_IDS = Object.keys(HANDOUT_FORMATS) as HandoutFormat[];

/** The formats of sheets, or of the class as a whole, in the order they are offered. */
export const formatsOf = (of: Of): readonly HandoutFormat[] =>
  HANDOUT_FORMAT_IDS.filter((id) => HANDOUT_FORMATS[id].of === of);

/** The sheets of a class, as the page calls them. */
export const HANDOUT_SHEETS = {
  script: 'Full script',
  card: 'One sheet',
  'room-card': 'Room card',
  equipment: 'What is needed',
  home: 'To take home',
  cover: 'For who covers it',
} as const;
export type HandoutSheet = keyof typeof HANDOUT_SHEETS;
export const HANDOUT_SHEET_IDS = Object.keys(HANDOUT_SHEETS) as HandoutSheet[];
