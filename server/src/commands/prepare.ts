import { openFolder } from '../database/openFolder';

/** `prepare FOLDER`: an empty studio's data folder, made once and copied by tests. */
const { close } = await openFolder(process.argv[2] ?? '');
await close();
