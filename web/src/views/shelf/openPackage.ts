import { cuesOfVtt, type PackageFiles, readPackage } from '@warm-ladder/core/package';
import { strFromU8, unzip } from 'fflate';

/** SHA-256 of a text in hexadecimal, by the browser. */
async function digest(text: string): Promise<string> {
  const sum = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return [...new Uint8Array(sum)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The texts in a zip. @throws Error when it is none */
function unzipped(bytes: Uint8Array): Promise<PackageFiles> {
  return new Promise((resolve, reject) => {
    unzip(bytes, (error, files) => {
      if (error) reject(error);
      else resolve(Object.fromEntries(Object.entries(files).map(([path, own]) => [path, strFromU8(own)])));
    });
  });
}

/** A package as the shelf takes it, or every reason why it does not. */
export async function openPackage(bytes: Uint8Array) {
  let files: PackageFiles;
  try {
    files = await unzipped(bytes);
  } catch {
    return { ok: false, problems: ['This is no zip; expected a package.'] } as const;
  }
  const read = await readPackage(files, digest);
  if (!read.ok) return read;
  const episodes = read.manifest.episodes.map((episode) => ({
    ...episode,
    chapters: cuesOfVtt(files[episode.files.chapters] ?? ''),
    captions: cuesOfVtt(files[episode.files.captions] ?? ''),
  }));
  return { ok: true, series: read.manifest.series, episodes } as const;
}

export type Shelved = Extract<Awaited<ReturnType<typeof openPackage>>, { readonly ok: true }>;
export type ShelvedEpisode = Shelved['episodes'][number];
