import fastify, { type FastifyError } from 'fastify';
import { Refusal, speakErrors } from './errors';

/** What is answered where a route throws. */
async function answeredTo(thrown: object) {
  const app = fastify({ bodyLimit: 2 * 1024 * 1024 });
  speakErrors(app);
  app.get('/', () => {
    throw Object.assign(new Error('inside'), thrown);
  });
  const answer = await fetch(await app.listen({ port: 0 }));
  const body: unknown = await answer.json();
  await app.close();
  return [answer.status, body] as const;
}
const refused = (code: string, message: RegExp) => ({ code, path: null, message: expect.stringMatching(message) });

test.each([
  [
    'a body that is too large',
    { code: 'FST_ERR_CTP_BODY_TOO_LARGE' },
    413,
    refused('TOO_LARGE', /larger than the 2 MB/),
  ],
  [
    'another type',
    { code: 'FST_ERR_CTP_INVALID_MEDIA_TYPE' },
    415,
    refused('WRONG_TYPE', /expected application\/json/),
  ],
  ['half a body', { code: 'FST_ERR_CTP_INVALID_JSON_BODY' }, 400, refused('BAD_JSON', /not whole JSON/)],
  ['no body', { code: 'FST_ERR_CTP_EMPTY_JSON_BODY' }, 400, refused('BAD_JSON', /not whole JSON/)],
  ['what the server makes of a request', { statusCode: 414 }, 400, refused('BAD_REQUEST', /^inside$/)],
  ['a full disk', { code: 'ENOSPC' }, 507, refused('NO_SPACE', /no space left/)],
  ['a full disk, in the database’s words', { code: '53100' }, 507, refused('NO_SPACE', /no space left/)],
  ['a full disk behind it', { cause: { errno: 51 } }, 507, refused('NO_SPACE', /no space left/)],
  ['a database that is gone', { code: 'ECONNREFUSED' }, 503, refused('UNREACHABLE', /does not answer/)],
  [
    'anything else',
    { statusCode: 500 },
    500,
    refused('INTERNAL', /^The server failed to do this; nothing was changed/),
  ],
] satisfies ReadonlyArray<readonly [string, Partial<FastifyError>, number, object]>)(
  '%s is answered in a sentence, and says nothing of the inside',
  async (_, thrown, status, body) => {
    expect(await answeredTo(thrown)).toEqual([status, body]);
  },
);

test('a refusal of something deeper names its whole path', () => {
  const inner = new Refusal('INVALID', 'No.', { path: 'dose.reps', problems: [{ path: 'dose.reps', message: 'No.' }] });
  expect(inner.within(['documents', '3']).body).toMatchObject({
    path: 'documents.3.dose.reps',
    problems: [{ path: 'documents.3.dose.reps' }],
  });
  expect(new Refusal('NOT_FOUND', 'No.').within(['documents']).body.path).toBeNull();
});
