/** The text of each file by its path. */
export type PackageFiles = Readonly<Record<string, string>>;

/** SHA-256 of a text in hexadecimal: the core has no digest of its own. */
export type Digest = (text: string) => string | Promise<string>;

export const MANIFEST = 'manifest.json';
