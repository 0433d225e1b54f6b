import { fsyncSync } from 'node:fs';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** The one part of the engine's file layer that is missing: see docs/reliability.md, "On the disk". */
interface NodeFilesModule {
  readonly NODEFS: {
    readonly stream_ops: { fsync?: (stream: { readonly nfd: number }) => number };
    readonly tryFSOperation: <T>(work: () => T) => T;
  };
}

/**
 * The engine's files in a folder, with `fsync` reaching the disk. The engine's own layer has no such call, so that
 * whatever it is told to force to the disk stays in the system's memory, and a power cut takes it.
 */
export class DurableFiles extends NodeFS {
  override async init(...[pg, options]: Parameters<NodeFS['init']>) {
    const made = await super.init(pg, options);
    const hook = (module: unknown) => {
      const { NODEFS } = module as NodeFilesModule;
      NODEFS.stream_ops.fsync = ({ nfd }) => {
        NODEFS.tryFSOperation(() => fsyncSync(nfd));
        return 0;
      };
    };
    return { emscriptenOpts: { ...made.emscriptenOpts, preRun: [...(made.emscriptenOpts.preRun ?? []), hook] } };
  }
}

/**
 * How the engine is started: as by its own defaults, but with `fsync` on (they turn it off with `-F`), by the one
 * method that reaches the hook above, and with little write-ahead log and few pages in its own memory: the database is
 * small, and the system keeps its files in memory too.
 */
export const DURABLE_START = [
  ...PGlite.defaultStartParams.filter((each) => each !== '-F'),
  ...['wal_sync_method=fsync', 'shared_buffers=16MB', 'max_wal_size=64MB', 'min_wal_size=32MB'].flatMap((setting) => [
    '-c',
    setting,
  ]),
];
