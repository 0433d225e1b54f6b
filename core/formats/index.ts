export type { Problem } from '../plan';
export { checkBundle, checkBundleSteps, duplicateIds } from './checks/checkBundle';
export { checkChanges, checkChangesSteps, type DocumentProblem } from './checks/checkChanges';
export { checkDocument } from './checks/checkDocument';
export { pathText, quoted, shortened } from './checks/problems';
export {
  BUNDLE_FORMAT,
  BUNDLE_VERSION,
  type Bundle,
  COLLECTIONS,
  type CollectionItem,
  type CollectionName,
  DOCUMENT_KINDS,
  type DocumentKind,
  type DocumentOf,
  emptyBundle,
  METHOD_ID,
} from './file/bundle';
export { type DocumentChange, Documents, REPERTOIRE } from './file/documents';
export { bundleInOrder, changeInOrder, inKeyOrder } from './file/keyOrder';
export { locate, mergeBundles } from './file/mergeBundles';
export { parseBundle, parseFilesSteps, readBundle } from './file/parseBundle';
export { type DocumentKey, documentKey, referencesOf, splitDocumentKey } from './file/references';
export { atOnce, type Steps } from './file/steps';
export { DEFAULTS_UNTIL_V3, type LengthsChanged, lengthsChanged } from './headless/lengthsChanged';
export { mendBundle } from './headless/mendBundle';
export { paceBundle } from './headless/paceBundle';
export { type ParsedBrief, parseBrief, parseHabits, parseSeriesBrief } from './headless/parseBrief';
export { programmeOf } from './headless/programme';
export { proposeBundle } from './headless/proposeBundle';
export { proposeSeriesBundle } from './headless/proposeSeriesBundle';
export { NoMoment, replanBundle } from './headless/replanBundle';
export { reviewBundle } from './headless/reviewBundle';
export { draftFromCaptions, habitsSchema, speakBundle, takeBundle, UnreadableCaptions } from './headless/takeBundle';
export { BUILD_EVENT, BUILD_HEADER, CLASS_PAGES, classShownAt, ROOM_PAGES } from './pages';
export { measuredForParts, type PartAsked, partOf, partOfSeries, partOfTerm } from './partOf';
export { type BundleStudio, type StudioSource, studioOf } from './studioOf';
