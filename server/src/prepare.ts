import { openDatabase } from './database/openDatabase';

/** `prepare FOLDER`: an empty studio's data folder, made once and copied by tests. */
const { close } = await openDatabase(process.argv[2] ?? '');
await close();
