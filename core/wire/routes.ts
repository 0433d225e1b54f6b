import { z } from 'zod';
import { COLLECTIONS, DOCUMENT_KINDS, type DocumentKind } from '../formats/file/kinds';
import { HANDOUT_FORMAT_IDS, HANDOUT_SHEET_IDS } from '../handouts/formats';
import type { FILLABLE } from '../tables';
import {
  copySchema,
  feedSchema,
  fileSchema,
  formerSchema,
  historySchema,
  idSchema,
  importSchema,
  keptSchema,
  phonesSchema,
  programmeSchema,
  progressSchema,
  type RefusalCode,
  setAsideSchema,
  standsSchema,
  studioSchema,
  tableSchema,
} from './answers';
import { changesAnswerSchema, changesSchema } from './changes';
import { FORMS, PAPERS } from './handouts';

/** A body, sent or answered, and its type. */
interface Body<T extends z.ZodType = z.ZodType> {
  readonly type:
    | 'application/json'
    | 'text/csv'
    | 'text/event-stream'
    | 'application/octet-stream'
    | 'application/pdf'
    | 'text/calendar';
  readonly schema: T;
  /** It may be as large as a whole studio. */
  readonly large?: true;
  /** It is read in steps, from its bytes. */
  readonly steps?: true;
  /** It goes as a file, and is read as one: it may be of an older version than its schema here. */
  readonly file?: true;
}

/** One question that can be asked of the server, under `/api`: all that is sent, answered and refused. */
export interface Route {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** With the parameters of the path in braces, as OpenAPI writes them. */
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: Body;
  readonly answer: Body;
  /** Beside those that any request may get (see `refusalsOf`). */
  readonly refusals: readonly RefusalCode[];
}

const json = <T extends z.ZodType>(schema: T) => ({ type: 'application/json', schema }) as const;
const file = <T extends z.ZodType>(schema: T) =>
  ({ type: 'application/json', schema, large: true, file: true }) as const;
const csv = { type: 'text/csv', schema: z.string(), large: true, file: true } as const;

const NOTHING = json(z.strictObject({}));
const version = z.coerce.number().int().min(0);
const flag = z.enum(['true', 'false']).default('false');
const rehearse = flag.describe('Only tell what it would do');
const base = version.optional().describe('The revision of the studio it was rehearsed on: refused if that has changed');
/** What a table does not say, said once for all of its new rungs. */
const fillValue = z.string().max(120).optional();
const fill = {
  'rung name': fillValue.describe('What a rung is called in a table without levels'),
  position: fillValue.describe('Of exercises that are new'),
  directions: fillValue.describe('Joined by |'),
  sides: fillValue.describe('both, each or alternate'),
  'set-up seconds': fillValue.describe('Of rungs that are new'),
  sets: fillValue,
  reps: fillValue,
} satisfies Record<(typeof FILLABLE)[number], typeof fillValue>;
const named = z.strictObject({ name: z.string().max(200).describe('Of a copy') });
const importName = z
  .string()
  .max(64)
  .regex(/^import-[a-z0-9]+$/, 'expected import- and letters or digits');
const withId = z.strictObject({ id: idSchema });
const asideSchema = z.strictObject({ kind: idSchema, id: idSchema, at: idSchema });
const revision = z.int().min(0);
const historyQuery = z.strictObject({
  before: version.optional().describe('Only what is older than a change'),
  kind: z.enum(DOCUMENT_KINDS).optional(),
  id: idSchema.optional(),
  most: z.coerce.number().int().min(1).max(200).default(50),
});
export type HistoryQuery = z.infer<typeof historyQuery>;

/** Questions about the studio as a whole. */
export const ROUTES = {
  health: {
    method: 'GET',
    path: '/health',
    summary: 'Whether the server is there',
    answer: json(z.strictObject({ ok: z.literal(true), revision })),
    refusals: [],
  },
  studio: {
    method: 'GET',
    path: '/studio',
    summary: 'The studio with the versions of its documents: all that a browser opens with',
    query: z.strictObject({
      class: idSchema.optional().describe('Only what the page of this class needs; the whole studio where it is gone'),
      teacher: idSchema.optional().describe('Whose pace the class is timed at: what their classes taught comes along'),
    }),
    answer: json(studioSchema),
    refusals: [],
  },
  programme: {
    method: 'GET',
    path: '/programme',
    summary: 'What is taught when, where and by whom, and every class there is',
    query: z.strictObject({ from: z.iso.date().describe('The first day'), to: z.iso.date().describe('The last day') }),
    answer: json(programmeSchema),
    refusals: [],
  },
  phones: {
    method: 'GET',
    path: '/phones',
    summary: 'How phones in the studio’s network open the classes of today',
    answer: json(phonesSchema),
    refusals: [],
  },
  feed: {
    method: 'GET',
    path: '/feed',
    summary: 'What is kept from a revision on, as server-sent events, each with its revision as its id',
    query: z.strictObject({ since: version.describe('A header last-event-id takes its place') }).partial(),
    answer: { type: 'text/event-stream', schema: feedSchema },
    refusals: [],
  },
  change: {
    method: 'POST',
    path: '/changes',
    summary: 'Changes of many documents, kept in one transaction; each has its own answer',
    body: { ...json(changesSchema), large: true, steps: true },
    answer: json(changesAnswerSchema),
    refusals: ['INVALID', 'NO_SPACE'],
  },
  export: {
    method: 'GET',
    path: '/bundle',
    summary: 'The studio as a portable file',
    answer: file(fileSchema),
    refusals: [],
  },
  import: {
    method: 'POST',
    path: '/bundle',
    summary: 'Takes a portable file in, or tells what it would do',
    query: z.strictObject({
      mode: z.enum(['merge', 'replace']).default('merge'),
      rehearse,
      base,
      reason: z.enum(['empty', 'restore']).optional().describe('For the name of the copy that is kept before it'),
      progress: importName
        .optional()
        .describe('A name of the caller’s choice, under which it is asked how far this is'),
    }),
    body: file(fileSchema),
    answer: json(importSchema),
    refusals: ['INVALID', 'STALE', 'NO_SPACE', 'NO_COPY'],
  },
  progress: {
    method: 'GET',
    path: '/progress/{id}',
    summary: 'How far an import is, by the name it was given',
    params: z.strictObject({ id: importName }),
    answer: json(progressSchema),
    refusals: [],
  },
  exportTable: {
    method: 'GET',
    path: '/repertoire.csv',
    summary: 'The flat parts of the repertoire as a table',
    answer: csv,
    refusals: [],
  },
  importTable: {
    method: 'POST',
    path: '/repertoire.csv',
    summary: 'Takes a table of the repertoire in, or tells what it would do',
    query: z.strictObject({ rehearse, base, ...fill }),
    body: csv,
    answer: json(tableSchema),
    refusals: ['INVALID', 'STALE', 'NO_SPACE', 'NO_COPY'],
  },
  handout: {
    method: 'GET',
    path: '/handouts/{id}',
    summary: 'A class as teachers are handed it: the script, the one sheet, the room card, what is needed',
    params: withId,
    query: z.strictObject({
      as: z.enum(HANDOUT_FORMAT_IDS).default('pdf'),
      sheet: z.enum(HANDOUT_SHEET_IDS).default('script').describe('Data, plan and captions are of the whole class'),
      form: z.enum(FORMS).default('whole').describe('Short: without the blocks that its short form leaves out'),
      paper: z.enum(PAPERS).default('a4'),
      teacher: idSchema.optional().describe('The id of the teacher who speaks it'),
      today: z.iso.date().optional(),
    }),
    answer: { type: 'application/octet-stream', schema: z.string() },
    refusals: ['NOT_FOUND'],
  },
  seriesSheets: {
    method: 'GET',
    path: '/series/{id}/sheets',
    summary:
      'A series as its staff is handed it, as one PDF: the term, then a page, the one sheet and the room card a class',
    params: withId,
    query: z.strictObject({ paper: z.enum(PAPERS).default('a4'), today: z.iso.date().optional() }),
    answer: { type: 'application/octet-stream', schema: z.string() },
    refusals: ['NOT_FOUND'],
  },
  seriesCalendar: {
    method: 'GET',
    path: '/series/{id}/calendar',
    summary: 'The episodes of a series that fall on a day, as iCalendar',
    params: withId,
    answer: { type: 'application/octet-stream', schema: z.string() },
    refusals: ['NOT_FOUND'],
  },
  termSheet: {
    method: 'GET',
    path: '/term/sheet',
    summary: 'All series in one term as a PDF: week by week every class on its day, and what clashes',
    query: z.strictObject({
      from: z.iso.date().optional().describe('The first day'),
      to: z.iso.date().optional().describe('The last day'),
      paper: z.enum(PAPERS).default('a4'),
      today: z.iso.date().optional(),
    }),
    answer: { type: 'application/pdf', schema: z.string() },
    refusals: [],
  },
  termCalendar: {
    method: 'GET',
    path: '/term/calendar',
    summary: 'The episodes of all series that fall on a day, as one iCalendar',
    answer: { type: 'text/calendar', schema: z.string() },
    refusals: [],
  },
  seriesPackage: {
    method: 'GET',
    path: '/series/{id}/package',
    summary: 'A series on demand, as a zip: chapters, captions and scripts with a manifest',
    params: withId,
    answer: { type: 'application/octet-stream', schema: z.string() },
    refusals: ['NOT_FOUND'],
  },
  history: {
    method: 'GET',
    path: '/history',
    summary: 'What has been changed, the newest first',
    query: historyQuery,
    answer: json(historySchema),
    refusals: [],
  },
  before: {
    method: 'GET',
    path: '/history/{version}/before',
    summary: 'A document as it was before a change',
    params: z.strictObject({ version }),
    answer: json(formerSchema),
    refusals: ['NOT_FOUND'],
  },
  copies: {
    method: 'GET',
    path: '/copies',
    summary: 'Copies of the studio that were kept before something was done to it',
    answer: json(z.array(copySchema).readonly()),
    refusals: [],
  },
  copy: {
    method: 'GET',
    path: '/copies/{name}',
    summary: 'A copy as a portable file',
    params: named,
    answer: file(fileSchema),
    refusals: ['NOT_FOUND'],
  },
  restore: {
    method: 'POST',
    path: '/copies/{name}/restore',
    summary: 'Puts a copy in the place of the studio',
    params: named,
    answer: json(importSchema),
    refusals: ['NOT_FOUND', 'INVALID', 'NO_SPACE', 'NO_COPY'],
  },
  setAside: {
    method: 'GET',
    path: '/set-aside',
    summary: 'Documents that did not fit when the studio was opened',
    answer: json(z.array(setAsideSchema).readonly()),
    refusals: [],
  },
  putBack: {
    method: 'POST',
    path: '/set-aside/put-back',
    summary: 'Puts back a document that was set aside',
    body: json(asideSchema),
    answer: NOTHING,
    refusals: ['NOT_FOUND', 'INVALID', 'IN_USE', 'STALE', 'NO_SPACE'],
  },
  letGo: {
    method: 'POST',
    path: '/set-aside/forget',
    summary: 'Lets go of a document that was set aside',
    body: json(asideSchema),
    answer: NOTHING,
    refusals: ['NOT_FOUND', 'NO_SPACE'],
  },
} as const satisfies Readonly<Record<string, Route>>;

/** A document as it is sent to its own address. */
export const writtenSchema = z.strictObject({
  version: z.int().min(0),
  value: z.unknown().describe('The document'),
});
const written = { ...json(writtenSchema), steps: true } as const;
const nextSchema = z.strictObject({
  version: z.int().min(0).describe('The version it has now'),
  value: standsSchema,
});
/** What is answered to a document that was put. */
export type Written = z.infer<typeof nextSchema>;
const next = json(nextSchema);
const CHANGED: readonly RefusalCode[] = ['INVALID', 'STALE', 'IN_USE', 'NO_SPACE'];

/** Questions about one kind of document: the one method has neither a list nor an id, and is never removed. */
export function documentRoutes<K extends DocumentKind>(kind: K) {
  const one = kind === 'method';
  const path = one ? '/method' : `/${kind}/{id}`;
  const params = one ? {} : { params: withId };
  return {
    list: {
      method: 'GET',
      path: `/${kind}`,
      summary: `All ${kind}`,
      answer: json(z.array(keptSchema(kind).extend({ id: idSchema })).readonly()),
      refusals: [],
    },
    find: {
      method: 'GET',
      path,
      summary: `One of the ${kind}`,
      ...params,
      answer: json(keptSchema(kind)),
      refusals: ['NOT_FOUND'],
    },
    put: {
      method: 'PUT',
      path,
      summary: `Puts one of the ${kind}, made from a version`,
      ...params,
      body: written,
      answer: next,
      refusals: CHANGED,
    },
    remove: {
      method: 'DELETE',
      path,
      summary: `Removes one of the ${kind}, as it was at a version`,
      ...params,
      query: z.strictObject({ version }),
      answer: NOTHING,
      refusals: ['NOT_FOUND', ...CHANGED],
    },
  } as const satisfies Readonly<Record<string, Route>>;
}

/** Every route there is, by the name of its operation. */
export function allRoutes(): Readonly<Record<string, Route>> {
  const capital = (kind: string) => kind.charAt(0).toUpperCase() + kind.slice(1);
  const ofDocuments = DOCUMENT_KINDS.flatMap((kind): Array<[string, Route]> => {
    const { list, find, put, remove } = documentRoutes(kind);
    const all: Record<string, Route> = (COLLECTIONS as readonly string[]).includes(kind)
      ? { list, find, put, remove }
      : { find, put };
    return Object.entries(all).map(([name, route]) => [name + capital(kind), route]);
  });
  return { ...ROUTES, ...Object.fromEntries(ofDocuments) };
}

/** What any request may be refused with, one with a body, and one that was asked wrongly. */
const ANY: readonly RefusalCode[] = ['BAD_REQUEST', 'WRONG_HOST', 'FORBIDDEN', 'TOO_LONG', 'INTERNAL', 'UNREACHABLE'];
const WITH_BODY: readonly RefusalCode[] = ['BAD_JSON', 'TOO_LARGE', 'WRONG_TYPE', 'INVALID'];

/** All that a route can be refused with. */
export const refusalsOf = ({ body, refusals }: Route): ReadonlySet<RefusalCode> =>
  new Set([...ANY, ...(body ? WITH_BODY : []), ...refusals]);
