import type { Problem } from '../../plan';
import type { DocumentKind } from '../file/bundle';

/**
 * Steps from an older version of the file to the next: what cannot be said any more is dropped and named, what has moved
 * is moved and reported. They work on what was read from JSON, before any schema: what they do not know they leave for
 * the schema to refuse.
 */
export type Json = Record<string, unknown>;
export type Path = Problem['path'];

export const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
export const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? value : []);
export const textOr = (value: unknown, otherwise: string): string => (typeof value === 'string' ? value : otherwise);

/** A document that stood inside another and stands by itself now. */
export interface MovedOut {
  readonly kind: DocumentKind;
  readonly value: Json & { readonly id: string };
}

/** What a step found: things done that a person should know of, things that can't be, and documents of their own. */
export interface MigrationReport {
  readonly notes: Problem[];
  readonly problems: Problem[];
  readonly moved: MovedOut[];
}
