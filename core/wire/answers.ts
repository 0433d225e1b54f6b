import { z } from 'zod';
import { editSchema } from '../edits';
import { bundleSchema, documentSchemas } from '../formats/file/bundleSchema';
import { DOCUMENT_KINDS, type DocumentKind } from '../formats/file/kinds';

/** Every refusal the server can give (docs/architecture.md has the table of what each means), with its status. */
export const REFUSALS = {
  BAD_JSON: 400,
  BAD_REQUEST: 400,
  FORBIDDEN: 403,
  NOT_FOUND: 404,
  STALE: 409,
  IN_USE: 409,
  TOO_LARGE: 413,
  WRONG_TYPE: 415,
  WRONG_HOST: 421,
  INVALID: 422,
  TOO_MANY: 429,
  TOO_LONG: 431,
  INTERNAL: 500,
  UNREACHABLE: 503,
  NO_SPACE: 507,
  NO_COPY: 507,
} as const;
export type RefusalCode = keyof typeof REFUSALS;

const versionSchema = z.int().min(0).describe('Rises with every change of the studio and never repeats; 0 for none');
export const kindSchema = z.enum(DOCUMENT_KINDS).describe('The kind of a document');
/** Of anything that has an id of at most so many letters. */
export const idSchema = z.string().max(64);
export const documentSchema = z.union(
  Object.values(documentSchemas) as ReadonlyArray<(typeof documentSchemas)[DocumentKind]>,
);

export const standsSchema = documentSchema
  .optional()
  .describe('The document as it stands, where others changed it meanwhile: what they did and what was sent');

/** A document as it is kept, with the version it has. */
export const keptSchema = <K extends DocumentKind>(kind: K) =>
  z.strictObject({ version: versionSchema, value: documentSchemas[kind] }).describe('A document as it is kept');
export interface Kept<K extends DocumentKind = DocumentKind> {
  readonly version: number;
  readonly value: z.infer<(typeof documentSchemas)[K]>;
}

const anyKeptSchema = z.strictObject({ version: versionSchema, value: documentSchema });

const placedSchema = z.strictObject({ path: z.string(), message: z.string() });

/** The one shape of an error: a code, a sentence, and where it is. */
export const refusalSchema = z
  .strictObject({
    code: z.enum(Object.keys(REFUSALS) as RefusalCode[]),
    message: z.string().describe('What is wrong, in a sentence to show'),
    path: z.string().nullable().describe('Where it is wrong'),
    problems: z.array(placedSchema).readonly().optional().describe('Each place that does not fit'),
    current: anyKeptSchema
      .nullable()
      .optional()
      .describe('Of a stale write: what is kept now; null when it was removed'),
    yours: z.strictObject({ version: versionSchema, value: z.unknown() }).optional().describe('And what was sent'),
  })
  .meta({ id: 'Refusal', description: 'Why a request was refused; nothing was changed' });
export type RefusalBody = z.infer<typeof refusalSchema>;

/** A change that was kept. */
export const historySchema = z.strictObject({
  changes: z
    .array(
      z.strictObject({
        version: versionSchema,
        kind: kindSchema,
        id: idSchema,
        at: z.iso.datetime(),
        edit: editSchema.describe('What was done to the document; to nothing where it was made'),
      }),
    )
    .readonly(),
  more: z.boolean().describe('Whether there are older ones'),
});
export type History = z.infer<typeof historySchema>;

export const formerSchema = z.strictObject({
  kind: kindSchema,
  id: idSchema,
  value: documentSchema.nullable().describe('null where it was not there'),
});

const versionsSchema = z.record(kindSchema, z.record(z.string(), versionSchema));
export type Versions = z.infer<typeof versionsSchema>;

const revisionSchema = z.int().min(0).describe('Rises with every change, and never repeats, not even in a copy');

/** A portable file, under its name. */
export const fileSchema = bundleSchema.meta({ id: 'Bundle', description: 'A studio, or a part of one' });

/** What a browser opens with. */
export const studioSchema = z.strictObject({
  only: idSchema.nullable().describe('The class whose page it is enough for; null for the whole studio'),
  studio: z.string().describe('Which studio this is: what a browser keeps for it is kept apart by this'),
  revision: revisionSchema,
  versions: versionsSchema.describe('The version of every document in it, by kind and id'),
  setAside: z.int().min(0).describe('How many documents are set aside, since they did not fit'),
  bundle: fileSchema,
  heats: z
    .record(z.string(), z.number())
    .describe('The heat of its rungs, by exercise/rung, as far as the server has measured them: a browser need not'),
});
export type StudioAnswer = z.infer<typeof studioSchema>;

const calledSchema = z.strictObject({ id: idSchema, name: z.string() });

/** What is taught when: the dated episodes of some days, and every class, for whoever teaches one. */
export const programmeSchema = z.strictObject({
  occasions: z
    .array(
      z.strictObject({
        day: z.iso.date(),
        from: z.string().nullable().describe('When it begins, HH:MM; null where its series says no time'),
        minutes: z.int().min(0).describe('How long it lasts, as planned'),
        class: calledSchema,
        series: calledSchema,
        episode: z.int().min(0).describe('Its place in the series, from 0'),
        teacher: calledSchema.nullable(),
        room: calledSchema.nullable(),
      }),
    )
    .readonly()
    .describe('In the order they begin'),
  classes: z.array(calledSchema.extend({ minutes: z.number().describe('How long it should last') })).readonly(),
  teachers: z.array(calledSchema).readonly(),
});
export type Programme = z.infer<typeof programmeSchema>;

/** How other machines reach the studio, and what they may do there. */
export const phonesSchema = z.strictObject({
  addresses: z
    .array(
      z.strictObject({
        url: z.string().describe('Where the classes of today are'),
        picture: z.string().describe('The same to be read by a camera: an SVG picture'),
      }),
    )
    .readonly()
    .describe('None: only this machine reaches it'),
  encrypted: z.boolean(),
  everything: z.boolean().describe('Whether other machines may do all that this one may'),
  here: z.array(z.string()).readonly().describe('This machine’s addresses in its network'),
});
export type PhonesAnswer = z.infer<typeof phonesSchema>;

const fedSchema = z.union([
  z.strictObject({
    kind: kindSchema,
    id: idSchema,
    version: versionSchema,
    value: documentSchema
      .nullable()
      .describe('As a whole, where it is new or was changed long ago; null: it was removed'),
  }),
  z.strictObject({
    kind: kindSchema,
    id: idSchema,
    version: versionSchema,
    base: versionSchema.describe('The version the edit leads on from'),
    edit: editSchema,
  }),
]);
/** A document as it has become, with the version it has: all of it, or what was changed in the version before. */
export type FedDocument = z.infer<typeof fedSchema>;

/** What a studio tells its tabs of, as it happens. */
export const feedSchema = z.strictObject({
  revision: revisionSchema.describe('The revision of the studio with these changes in it'),
  changes: z.array(fedSchema).readonly().nullable().describe('Null: too much has changed; read the studio anew'),
});
export type FeedEvent = z.infer<typeof feedSchema>;

const idsSchema = z.array(z.string());
const effectSchema = z.strictObject({ added: idsSchema, changed: idsSchema, unchanged: idsSchema, removed: idsSchema });
/** What an import does to one kind of document, by id. */
export type ImportEffect = z.infer<typeof effectSchema>;

/** What an import would do or has done. */
export const importSchema = z.strictObject({
  report: z.record(kindSchema, effectSchema),
  rungs: effectSchema.omit({ unchanged: true }).describe('The same for rungs, by exercise/rung'),
  revision: revisionSchema.describe('The revision of the studio it was held against'),
  notes: z.array(placedSchema).readonly().describe('What was changed on the way from an older version of the file'),
});
export type ImportAnswer = z.infer<typeof importSchema>;

const howFarSchema = z.strictObject({
  stage: z.enum(['reading', 'checking', 'bringing']).describe('Each follows the one before it'),
  done: z.int().min(0).describe('Steps of this stage that are done, a document or two each'),
  of: z.int().min(0).nullable().describe('How many there are; null where that is not known yet'),
});
/** How far long work is. */
export const progressSchema = z.strictObject({
  progress: howFarSchema.nullable().describe('null for what is not begun or done'),
});
export type Progress = z.infer<typeof howFarSchema>;
export type ImportReport = ImportAnswer['report'];
export type RungReport = ImportAnswer['rungs'];

/** The same for a table, with the rungs it brings that have yet to be drawn. */
export const tableSchema = importSchema.extend({ plain: z.array(z.string()).readonly() });
export type TableAnswer = z.infer<typeof tableSchema>;

/** Before what a copy was kept. */
export const COPY_REASONS = ['start', 'import', 'replace', 'empty', 'restore'] as const;
export type CopyReason = (typeof COPY_REASONS)[number];

/** A copy of the studio as it was before something was done to it. */
export const copySchema = z.strictObject({
  name: z.string(),
  at: z.iso.datetime().describe('When it was kept'),
  reason: z.enum(COPY_REASONS),
  holds: z.record(z.string(), z.int()).describe('How many of each are in it'),
});
export type KeptCopy = z.infer<typeof copySchema>;

/** A document that did not fit when the studio was opened, as it was found. */
export const setAsideSchema = z.strictObject({
  kind: z.string(),
  id: z.string(),
  at: z.string(),
  reason: z.string(),
  format: z.int().describe('The version of the portable format it was written in'),
  body: z.unknown(),
});
export type SetAsideDocument = z.infer<typeof setAsideSchema>;
