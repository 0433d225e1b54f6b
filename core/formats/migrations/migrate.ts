import type { DocumentKind } from '../file/bundle';
import type { Json, MigrationReport, MovedOut } from './step';
import { bundleToV2, documentToV2, entryPhasesOf } from './toVersion2';
import { bundleToV3, documentToV3 } from './toVersion3';

const STEPS: Readonly<Record<number, (file: Json, report: MigrationReport) => Json>> = { 1: bundleToV2, 2: bundleToV3 };

/** The oldest version that is read. */
export const OLDEST_VERSION = 1;

const freshReport = (): MigrationReport => ({ notes: [], problems: [], moved: [] });

/**
 * A file of an older version, step by step up to this one.
 * @param version the version it says it has, from `OLDEST_VERSION`
 */
export function migrateBundle(file: Json, version: number): MigrationReport & { readonly file: Json } {
  const report = freshReport();
  let migrated = file;
  for (let from = version; STEPS[from]; from++) migrated = STEPS[from]?.(migrated, report) ?? migrated;
  return { ...report, file: migrated };
}

/**
 * One document of an older version, as it was kept by itself.
 * @param others the documents it stood with, for what it names by place and whom it names
 * @returns it, and in `moved` the documents that stood inside it and stand by themselves now
 */
export function migrateDocument(
  kind: DocumentKind,
  value: unknown,
  version: number,
  others: { readonly exercises?: readonly unknown[]; readonly teachers?: readonly unknown[] } = {},
): MigrationReport & { readonly value: unknown; readonly moved: readonly MovedOut[] } {
  const report = freshReport();
  let migrated = value;
  if (version < 2) migrated = documentToV2(kind, migrated, [], report, entryPhasesOf(others.exercises));
  if (version < 3) migrated = documentToV3(kind, migrated, [], report, others.teachers ?? []);
  return { ...report, value: migrated };
}
