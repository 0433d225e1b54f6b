import { hostname } from 'node:os';
import { join } from 'node:path';
import { bundleInOrder, type LengthsChanged } from '@warm-ladder/core/formats';
import { clock } from '@warm-ladder/core/review';
import { countText } from '@warm-ladder/core/vocabulary';
import type { FastifyInstance } from 'fastify';
import { buildApp } from './app';
import { FolderInUse } from './database/folderLock';
import { DatabaseTooNew } from './database/migrate';
import { openDatabase } from './database/openDatabase';
import { FolderBroken, reasonOf } from './database/openFolder';
import { DatabaseUnreachable } from './database/postgres';
import { Refusal } from './errors';
import { readFiles, UnreadableFile } from './files';
import { addressesOf, hostsOf, isLoopback } from './guard';
import { BadOptions, databaseUrl, readOptions } from './options';
import { sayError } from './plainLine';
import { BadCertificate, givenCertificate, madeCertificate } from './room/certificate';
import { listenInRoom } from './room/listenInRoom';
import { NOT_SHARED, terminalPicture } from './room/phones';
import { Copies } from './studio/copies';
import { StudioIncomplete } from './studio/opening';
import { Studio } from './studio/studio';
import { watchOver } from './threads/watch';

/** Milliseconds within which everything asked for must be done once the server is told to stop. */
const STOPPING = 5_000;

type Options = ReturnType<typeof readOptions>;

/** Fills an empty studio from bundle files taken as one; of one that holds something a copy is kept. */
async function prepare(studio: Studio, files: readonly string[]): Promise<void> {
  if (studio.isEmpty) {
    if (files.length > 0)
      await studio.import({ bundle: bundleInOrder(readFiles(files).bundle) }, { mode: 'merge', rehearse: false });
    return;
  }
  await studio.copies.keep(studio.bundleText, 'start').catch(({ message }: Error) => sayError(message));
}

function warn(studio: Studio): void {
  for (const { kind, id, reason } of studio.setAside) {
    sayError(`Set aside, since it no longer fits: ${kind}/${id} (${reason}) See the Studio menu, Ways back.`);
  }
}

/** Lets other machines in, where it was asked for: what they reach is said plainly. */
async function share(app: FastifyInstance, options: Options, port: number) {
  const { host, name, cert, key, plain, data, 'share-all': everything } = options;
  if (isLoopback(host)) return null;
  const names = new Set([...addressesOf(host), hostname(), ...name]);
  const certificate = plain
    ? null
    : cert !== undefined && key !== undefined
      ? givenCertificate(cert, key)
      : await madeCertificate(join(data, 'room'), names);
  const { addresses, close } = await listenInRoom(app, { host, port, certificate, everything });
  const [first] = addresses;
  const where = addresses.join(' and ') || 'no address: this machine is in no network';
  const unencrypted = certificate ? '' : ' Nothing on the way is encrypted.';
  sayError(
    everything
      ? `Caution: whoever reaches ${where} reads and changes everything in this studio, people’s health conditions ` +
          `among it, and is asked nothing.${unencrypted} Stop it unless something in front of it asks who they are.`
      : `Open to other machines at ${where}: to read, rehearse and teach every class, with what it asks of people ` +
          `with conditions, and to send its log; nobody is asked who they are.${unencrypted} The studio is changed ` +
          'on this machine alone.',
  );
  if (first) {
    console.log(`On a phone in the studio’s network: ${first}/tonight`);
    if (process.stdout.isTTY) console.log(await terminalPicture(first));
    if (certificate?.authority) {
      console.log(`Once on each phone: open ${first}/certificate.crt, and trust it in the phone’s settings.`);
    }
  }
  return {
    close,
    sharing: { addresses, encrypted: certificate !== null, everything, authority: certificate?.authority ?? null },
  };
}

async function start(options: Options): Promise<void> {
  const { db, announce, close } = await openDatabase(options.data, databaseUrl());
  let ending = async () => close();
  stopOnSignal(() => ending());
  try {
    const studio = await Studio.open(db, new Copies(join(options.data, 'kept')), options.salvage);
    await prepare(studio, options.files);
    let sharing = NOT_SHARED;
    const app = await buildApp(studio, {
      ...(options['no-web'] ? {} : { webFolder: options.web }),
      log: true,
      hosts: hostsOf(options.host, options.name),
      sharing: () => sharing,
    });
    let shared: Awaited<ReturnType<typeof share>> = null;
    ending = async () => {
      await shared?.close();
      await app.close();
      await studio.settled();
      await close();
    };
    warn(studio);
    if (studio.lengths) sayError(lengthsSentence(studio.lengths));
    for (const { kind, id } of await studio.mended()) {
      sayError(`Mended: a character that is none was taken out of ${kind}/${id}.`);
    }
    // Everything is this machine's own; other machines have a listener beside it.
    const address = await app.listen({
      port: options.port,
      host: isLoopback(options.host) ? options.host : '127.0.0.1',
    });
    shared = await share(app, options, Number(new URL(address).port));
    if (shared) sharing = shared.sharing;
    announce(address);
    // Not before: a large studio of an older version is brought up to date at one go.
    watchOver();
    console.log(`Warm Ladder is ready at ${address}`);
    studio.readied().catch(({ message }: Error) => sayError(message));
  } catch (error) {
    await close();
    throw error;
  }
}

/** @example 'New defaults (docs/timing.md): 12 of 14 classes are another length, 0:40 longer on average, most of all …' */
function lengthsSentence({ changed, of, bySeconds, most }: LengthsChanged): string {
  if (!most) return `Brought up to date; no class of ${of} is another length.`;
  const by = (seconds: number) => `${clock(Math.abs(seconds))} ${seconds < 0 ? 'shorter' : 'longer'}`;
  return (
    `New defaults (docs/timing.md): ${changed} of ${countText(of, 'class', 'classes')} ${changed === 1 ? 'is' : 'are'} another length, ` +
    `${by(bySeconds)} on average, most of all “${most.name}”, ${by(most.bySeconds)}.`
  );
}

/** The first signal ends the server in order, within five seconds; a second one ends it at once. */
function stopOnSignal(end: () => Promise<void>): void {
  let stopping = false;
  const stop = async () => {
    if (stopping) process.exit(1);
    stopping = true;
    setTimeout(() => process.exit(1), STOPPING).unref();
    await end().catch(() => undefined);
    process.exit(0);
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

const EXPECTED = [
  BadCertificate,
  BadOptions,
  FolderInUse,
  FolderBroken,
  DatabaseTooNew,
  DatabaseUnreachable,
  StudioIncomplete,
  UnreadableFile,
  Refusal,
] as const;

function sentenceOf(error: NodeJS.ErrnoException, port: number | undefined): string {
  if (EXPECTED.some((expected) => error instanceof expected)) return error.message;
  if (error.code === 'EADDRINUSE') return `Port ${port} is taken. Start on another one: --port NUMBER, or PORT=NUMBER.`;
  if (error.code === 'EACCES') return `Port ${port} may not be used here. Start on another one: --port NUMBER.`;
  if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND') {
    return 'This machine has no such address; expected --host with one of its own, as 127.0.0.1.';
  }
  return `The server could not start: ${reasonOf(error)}.`;
}

let port: number | undefined;
try {
  const options = readOptions(process.argv.slice(2));
  port = options.port;
  await start(options);
} catch (error) {
  sayError(sentenceOf(error as NodeJS.ErrnoException, port));
  process.exit(1);
}
