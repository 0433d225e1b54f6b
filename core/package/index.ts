export { type Digest, MANIFEST, type PackageFiles } from './files';
export { packageOf } from './packageOf';
export { packageJsonSchema } from './packageSchema';
export { type Cue, cuesOfVtt, readPackage } from './readPackage';
