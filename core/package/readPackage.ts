import { schemaProblems } from '../formats/file/schemaProblems';
import { type Digest, MANIFEST, type PackageFiles } from './files';
import { type PackageManifest, packageSchema } from './packageSchema';

export type ReadPackage =
  | { readonly ok: true; readonly manifest: PackageManifest }
  | { readonly ok: false; readonly problems: readonly string[] };

/** Whether a package holds together: its manifest, its files as they were, its chapters and captions to the second. */
export async function readPackage(files: PackageFiles, digest: Digest): Promise<ReadPackage> {
  const refused = (...problems: string[]): ReadPackage => ({ ok: false, problems });
  const text = files[MANIFEST];
  if (text === undefined) return refused(`There is no ${MANIFEST}; expected the manifest of a package.`);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused(`${MANIFEST} is not whole JSON.`);
  }
  const parsed = packageSchema.safeParse(value);
  if (!parsed.success) {
    return refused(
      ...schemaProblems(parsed.error, value).map(({ path, message }) => `${MANIFEST}, ${path.join('.')}: ${message}`),
    );
  }
  const manifest = parsed.data;
  const problems: string[] = [];
  for (const [path, sum] of Object.entries(manifest.sums)) {
    const own = files[path];
    if (own === undefined) problems.push(`${path} is missing.`);
    else if ((await digest(own)) !== sum) problems.push(`${path} is not as it was packed.`);
  }
  for (const { files: own, seconds, title } of manifest.episodes) {
    for (const path of Object.values(own)) {
      if (!(path in manifest.sums)) problems.push(`${path} of “${title}” is not among the files.`);
    }
    problems.push(...chapterFaults(files[own.chapters] ?? '', own.chapters, seconds));
    problems.push(...captionFaults(files[own.captions] ?? '', own.captions, seconds));
  }
  return problems.length > 0 ? refused(...problems) : { ok: true, manifest };
}

/** A cue of WebVTT, seconds. */
export interface Cue {
  readonly from: number;
  readonly to: number;
  readonly text: string;
}

const TIMES = /^(\d+):(\d\d):(\d\d\.\d{3}) --> (\d+):(\d\d):(\d\d\.\d{3})\n([\s\S]*)$/m;

/** The cues of a text as this program writes it; what is no cue is left out. */
export const cuesOfVtt = (text: string): Cue[] =>
  text
    .replaceAll('\r', '')
    .split('\n\n')
    .flatMap((part): Cue[] => {
      const found = TIMES.exec(part);
      if (!found) return [];
      const [, h = '', m = '', s = '', toH = '', toM = '', toS = '', said = ''] = found;
      const at = (hours: string, minutes: string, seconds: string) =>
        Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
      const plain = said.trim().replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&amp;', '&');
      return [{ from: at(h, m, s), to: at(toH, toM, toS), text: plain }];
    });

/** Seconds within which two times are the same. */
const SAME = 0.002;

function chapterFaults(text: string, path: string, seconds: number): string[] {
  const cues = cuesOfVtt(text);
  const [first, last] = [cues[0], cues.at(-1)];
  if (!first || !last) return [`${path} has no chapters.`];
  const faults: string[] = [];
  if (first.from !== 0) faults.push(`${path} begins at ${first.from} s; expected 0.`);
  if (Math.abs(last.to - seconds) > SAME) faults.push(`${path} ends at ${last.to} s; expected ${seconds}.`);
  const gap = cues.findIndex(({ from }, i) => i > 0 && Math.abs(from - (cues[i - 1]?.to ?? 0)) > SAME);
  if (gap > 0) faults.push(`${path}: chapter ${gap + 1} does not begin where the one before it ends.`);
  return faults;
}

function captionFaults(text: string, path: string, seconds: number): string[] {
  const cues = cuesOfVtt(text);
  const faults: string[] = [];
  const overlap = cues.findIndex(({ from }, i) => i > 0 && from < (cues[i - 1]?.to ?? 0) - SAME);
  if (overlap > 0) faults.push(`${path}: caption ${overlap + 1} begins before the one before it ends.`);
  const last = cues.at(-1);
  if (last && last.to > seconds + SAME) faults.push(`${path} ends at ${last.to} s; expected ${seconds} at most.`);
  return faults;
}
