import {
  COLLECTIONS,
  DOCUMENT_KINDS,
  type DocumentKey,
  documentKey,
  METHOD_ID,
  type Steps,
} from '@warm-ladder/core/formats';
import {
  type ChangeAnswer,
  type ChangedPlace,
  documentRoutes as documentRoutesOf,
  ROUTES,
  type Written,
} from '@warm-ladder/core/wire';
import type { FastifyPluginAsync } from 'fastify';
import { invalid, Refusal } from '../errors';
import { closed, isFromRoom } from '../room/roomRequests';
import type { AskedChange, Resolved } from '../studio/resolve';
import type { Studio } from '../studio/studio';
import { turn, unhurried } from '../studio/unhurried';
import type { AskedEdit, AskedOrRefused, Readers } from '../threads/readers';
import { madeReady, type Ready } from './madeReady';
import { serve, takeBytes } from './serve';

/** What became of a change, as it is answered. */
function answerOf(
  resolved: Resolved | undefined,
  { kind, id }: Pick<ChangedPlace, 'kind' | 'id'>,
): Exclude<ChangeAnswer, { outcome: 'whole' }> {
  if (resolved?.outcome === 'stale') return resolved;
  if (resolved?.outcome === 'refused') {
    const { body } = invalid(resolved.problems, resolved.inUse ? 'IN_USE' : 'INVALID');
    return { outcome: 'refused', refusal: { ...body, path: documentKey(kind, id) } };
  }
  const { version = 0, value } = resolved ?? {};
  return { outcome: 'kept', version, ...(value ? { value } : {}) };
}

/** One change by itself: its new version and what else stands in it, or a refusal. @throws Refusal */
export async function changeOne(studio: Studio, asked: AskedChange): Promise<Written> {
  const { kind, id, base: version, value = null } = asked;
  const key = documentKey(kind, id);
  const answer = answerOf((await studio.change([asked])).get(key), asked);
  if (answer.outcome === 'kept') {
    const { version: kept, value: stands } = answer;
    return { version: kept, ...(stands ? { value: stands } : {}) };
  }
  if (answer.outcome === 'refused') throw Refusal.of(answer.refusal);
  const what = answer.current === null ? 'was deleted' : version === 0 ? 'already exists' : 'was changed';
  throw new Refusal('STALE', `“${id}” ${what} elsewhere since you opened it; nothing was overwritten.`, {
    path: key,
    current: answer.current,
    yours: { version, value },
  });
}

/** Every document by itself: read, and written with the version the change was made from. */
export const documentRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    takeBytes(app, 'application/json');
    for (const kind of COLLECTIONS) {
      const { list, remove } = documentRoutesOf(kind);
      serve(app, list, async ({ reply }) => {
        reply.type('application/json; charset=utf-8');
        return studio.listText(kind);
      });
      serve(app, remove, async ({ params, query: { version } }) => {
        const { id } = params as { id: string };
        studio.find(kind, id);
        await changeOne(studio, { kind, id, base: version });
        return {};
      });
    }
    for (const kind of DOCUMENT_KINDS) {
      const { find, put } = documentRoutesOf(kind);
      const idIn = (params: { readonly id?: string } | undefined) => params?.id ?? METHOD_ID;
      serve(app, find, async ({ params }) => studio.find(kind, idIn(params)));
      serve(app, put, async ({ params, body }) => changeOne(studio, await readers.document(kind, idIn(params), body)));
    }
  };

/**
 * Many changes together, which may need one another. Each has its own answer: a version, or why not; what can be kept
 * is kept, in one transaction.
 */
export const changeRoutes =
  (studio: Studio, readers: Readers): FastifyPluginAsync =>
  async (app) => {
    // Read by threads, in steps: it may be a whole studio.
    takeBytes(app, 'application/json');
    serve(app, ROUTES.change, async ({ body, reply, request }) => {
      const sent = await readers.changes(body);
      if (isFromRoom(request) && !sent.every(isNewLog)) throw closed();
      const keys = sent.map(({ kind, id }) => documentKey(kind, id));
      if (new Set(keys).size < keys.length) throw new Refusal('BAD_REQUEST', 'A document stands twice; expected once.');
      await turn();
      const changes = await madeReady(studio, readers, sent);
      const resolved = await studio.change(changes.flatMap((change) => ('base' in change ? [change] : [])));
      reply.type('application/json; charset=utf-8');
      return unhurried(answersText(changes, resolved));
    });
  };

/** From another machine comes what happened in a class, as a new log, and no other change. */
const isNewLog = (each: AskedOrRefused | AskedEdit): boolean =>
  each.kind === 'logs' && ('refusal' in each || ('base' in each && each.base === 0 && each.value !== undefined));

function answerTo(change: Ready, resolved: Resolved | undefined): ChangeAnswer {
  if ('whole' in change) return { outcome: 'whole' };
  if ('base' in change) return answerOf(resolved, change);
  return { outcome: 'refused', refusal: { ...change.refusal, path: documentKey(change.kind, change.id) } };
}

/** The answers as JSON, a change a step. */
function* answersText(changes: readonly Ready[], resolved: ReadonlyMap<DocumentKey, Resolved>): Steps<string> {
  const answers: string[] = [];
  for (const change of changes) {
    const key = documentKey(change.kind, change.id);
    answers.push(JSON.stringify(answerTo(change, resolved.get(key))));
    yield;
  }
  return `{"answers":[${answers.join(',')}]}`;
}
