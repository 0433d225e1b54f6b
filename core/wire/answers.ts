import type { Bundle, DocumentKind, DocumentOf } from '../formats';

/** Every refusal the server can give (docs/architecture.md has the table of what each means). */
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
  TOO_LONG: 431,
  INTERNAL: 500,
  UNREACHABLE: 503,
  NO_SPACE: 507,
  NO_COPY: 507,
} as const;
export type RefusalCode = keyof typeof REFUSALS;

/** A document as it is kept, with the version it has. */
export interface Kept<K extends DocumentKind = DocumentKind> {
  readonly version: number;
  readonly value: DocumentOf<K>;
}

/** The one shape of an error: a code, a sentence, and where it is. */
export interface RefusalBody {
  readonly code: RefusalCode;
  readonly message: string;
  readonly path: string | null;
  readonly problems?: ReadonlyArray<{ readonly path: string; readonly message: string }>;
  /** For a stale write: what is kept now (`null`: it was deleted), and what was sent. */
  readonly current?: Kept | null;
  readonly yours?: { readonly version: number; readonly value: unknown };
}

export type Versions = Record<DocumentKind, Record<string, number>>;

/** All that a browser opens with. */
export interface StudioAnswer {
  /** Which studio this is: what a browser keeps for it is kept apart by this. */
  readonly studio: string;
  /** Rises with every change, and never repeats, not even in a copy of the data folder. */
  readonly revision: number;
  readonly versions: Versions;
  /** How many documents are set aside, since they did not fit. */
  readonly setAside: number;
  readonly bundle: Bundle;
}

/** A document as it has become, with the version it has; without a value it was removed. */
export interface FedDocument {
  readonly kind: DocumentKind;
  readonly id: string;
  readonly version: number;
  readonly value: DocumentOf<DocumentKind> | null;
}

/** What a studio tells its tabs of, as it happens. `changes: null`: too much has changed; read the studio anew. */
export interface FeedEvent {
  /** The revision of the studio with these changes in it. */
  readonly revision: number;
  readonly changes: readonly FedDocument[] | null;
}

/** What an import does to one kind of document, by id. */
export interface ImportEffect {
  readonly added: string[];
  readonly changed: string[];
  readonly unchanged: string[];
  readonly removed: string[];
}
export type ImportReport = Record<DocumentKind, ImportEffect>;
/** The same for rungs, by key. */
export type RungReport = Pick<ImportEffect, 'added' | 'changed' | 'removed'>;

/** What an import would do or has done, and the revision of the studio it was held against. */
export interface ImportAnswer {
  readonly report: ImportReport;
  readonly rungs: RungReport;
  readonly revision: number;
  /** What was changed on the way from an older version of the file, each with its path in it. */
  readonly notes: ReadonlyArray<{ readonly path: string; readonly message: string }>;
}

/** The same for a table, with the rungs it brings that have yet to be drawn. */
export interface TableAnswer extends ImportAnswer {
  readonly plain: readonly string[];
}

/** Before what a copy was kept. */
export const COPY_REASONS = ['start', 'import', 'replace', 'empty', 'restore'] as const;
export type CopyReason = (typeof COPY_REASONS)[number];

/** A copy of the studio as it was before something was done to it. */
export interface KeptCopy {
  readonly name: string;
  /** When, as an ISO date with time. */
  readonly at: string;
  readonly reason: CopyReason;
  /** How many of each are in it. */
  readonly holds: Readonly<Record<string, number>>;
}

/** A document that did not fit when the studio was opened, as it was found. */
export interface SetAsideDocument {
  readonly kind: string;
  readonly id: string;
  readonly at: string;
  readonly reason: string;
  /** The version of the portable format it was written in. */
  readonly format: number;
  readonly body: unknown;
}
