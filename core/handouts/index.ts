export { srtFrom, srtOf, vttFrom, vttOf } from './captions';
export { chaptersVtt } from './chapters';
export { coverHandout } from './coverHandout';
export { scriptDocument } from './document';
export {
  formatsOf,
  HANDOUT_FORMAT_IDS,
  HANDOUT_FORMATS,
  HANDOUT_SHEET_IDS,
  HANDOUT_SHEETS,
  type HandoutFormat,
  type HandoutSheet,
} from './formats';
export {
  equipmentHandout,
  type Handout,
  type HandoutCell,
  type HandoutPart,
  type HandoutTable,
  LINE_LABELS,
  oneSheet,
  roomCardHandout,
  scriptHandout,
  withoutEmptyColumns,
} from './handout';
export { homeHandout } from './homeHandout';
export { markdownOf } from './markdown';
export { planCsv } from './planCsv';
export { practiceWords, seriesHandouts } from './seriesHandouts';
export { propsWords, type SpokenClass, spokenClass, spokenIn } from './spokenClass';
export { wholeTerm } from './wholeTerm';
