import {
  coverHandout,
  equipmentHandout,
  type Handout,
  type HandoutFormat,
  type HandoutSheet,
  homeHandout,
  markdownOf,
  oneSheet,
  planCsv,
  roomCardHandout,
  type SpokenClass,
  scriptDocument,
  scriptHandout,
  srtOf,
  vttOf,
} from '@warm-ladder/core/handouts';
import type { pdfOf } from './paper/pdf';
import type { Paper } from './paper/sheet';

/** What there is to hand out of a class. */
const SHEETS: Readonly<Record<HandoutSheet, (spoken: SpokenClass) => Handout>> = {
  script: scriptHandout,
  card: oneSheet,
  'room-card': roomCardHandout,
  equipment: equipmentHandout,
  home: homeHandout,
  cover: coverHandout,
};

export interface Wanted {
  readonly as: HandoutFormat;
  readonly sheet: HandoutSheet;
  readonly paper?: Paper | undefined;
}

/**
 * A class written as what is asked for: data, plan and captions are of the whole class, whatever the sheet. The libraries
 * that write pages are half a second to load, and loaded by who asks for pages.
 */
export async function handOut(spoken: SpokenClass, { as, sheet, paper = 'a4' }: Wanted): Promise<string | Buffer> {
  switch (as) {
    case 'json':
      return `${JSON.stringify(scriptDocument(spoken), null, 2)}\n`;
    case 'csv':
      return planCsv(spoken);
    case 'vtt':
      return vttOf(spoken.script);
    case 'srt':
      return srtOf(spoken.script);
    case 'md':
      return markdownOf(SHEETS[sheet](spoken));
    case 'docx':
      return (await import('./docx')).docxOf(SHEETS[sheet](spoken));
    case 'pdf':
      return pagesOf([SHEETS[sheet](spoken)], paper);
  }
}

/** Handouts as the pages of one PDF. */
export const pagesOf: typeof pdfOf = async (handouts, paper) => (await import('./paper/pdf')).pdfOf(handouts, paper);
