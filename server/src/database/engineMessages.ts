import type { SentError } from '../threads/messages';

/** What the thread of the embedded database is asked, by number. */
export type EngineAsked =
  | { readonly n: number; readonly make: string }
  | { readonly n: number; readonly open: string }
  | { readonly n: number; readonly sql: string; readonly values?: unknown[] | undefined }
  | { readonly n: number; readonly script: string }
  | { readonly n: number; readonly close: true };

/** Its answer to one of them. */
export type EngineAnswer =
  | { readonly n: number; readonly rows: unknown[] }
  | { readonly n: number; readonly error: SentError };
