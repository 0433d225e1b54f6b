import type { MethodFile } from '@warm-ladder/core/method';
import { documentSchemas, migrateDocument, OLDEST_VERSION, schemaProblems } from '@warm-ladder/core/schemas';

/**
 * The method in the text of an exported studio, or of a file that holds nothing else.
 * @throws Error with a sentence that says what was expected
 */
export function readMethod(text: string): MethodFile {
  const expected = 'expected an exported studio with a method in it';
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    throw new Error(`It is not whole JSON; ${expected}.`);
  }
  if (typeof file !== 'object' || file === null || !('method' in file))
    throw new Error(`No method is in it; ${expected}.`);
  const version = 'version' in file && typeof file.version === 'number' ? file.version : OLDEST_VERSION;
  const parsed = documentSchemas.method.safeParse(migrateDocument('method', file.method, version).value);
  if (parsed.success) return parsed.data;
  const [first] = schemaProblems(parsed.error, file.method);
  throw new Error(`${['method', ...(first?.path ?? [])].join('.')}: ${first?.message ?? 'It can’t be read.'}`);
}
