/// <reference lib="webworker" />

/**
 * Keeps the pages opened in the room on the device, so that they open without a network: the page and its files as they
 * were built, and the classes it showed last. It answers for those pages alone; the desk is none of its business.
 */
const worker = self as unknown as ServiceWorkerGlobalScope;

/** Which build it came with, and what its page needs; written in by the build. */
const [BUILD, FILES] = ['%BUILD%', '%FILES%'] as [string, unknown];
const PAGE = '/room.html';
const [KEPT_FILES, KEPT_ANSWERS] = [`warm-ladder-room-${BUILD}`, 'warm-ladder-answers'];

/** Answers kept at most: the oldest goes. They name conditions in the room, and none stays on a device for long. */
const MOST_ANSWERS = 8;
/** Milliseconds a page, and a class, may take before the one that is kept is shown. */
const [PATIENCE_PAGE, PATIENCE_CLASS] = [2_000, 6_000];

worker.addEventListener('install', (event) => {
  event.waitUntil(caches.open(KEPT_FILES).then((cache) => cache.addAll([PAGE, ...(FILES as string[])])));
});

// It takes over only once no page of the build before is open, so none of them loses its files.
worker.addEventListener('activate', (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => names.filter((name) => name.startsWith('warm-ladder-room-') && name !== KEPT_FILES))
      .then((old) => Promise.all(old.map((name) => caches.delete(name))))
      .then(() => worker.clients.claim()),
  );
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const { origin, pathname, searchParams } = new URL(request.url);
  if (request.method !== 'GET' || origin !== worker.location.origin) return;
  if (request.mode === 'navigate') event.respondWith(page(request));
  else if (pathname.startsWith('/assets/')) event.respondWith(file(request));
  else if ((pathname === '/api/studio' && searchParams.has('class')) || pathname === '/api/programme') {
    event.respondWith(shown(request));
  }
});

/** The page as the server has it, or as it is kept where the server does not answer soon. */
async function page(request: Request): Promise<Response> {
  const answer = await soon(fetch(request), PATIENCE_PAGE);
  if (answer && answer.status < 500) return answer;
  return (await caches.match(PAGE, { cacheName: KEPT_FILES })) ?? answer ?? fetch(request);
}

/** Built files never change under their name. */
const file = async (request: Request): Promise<Response> => (await caches.match(request)) ?? fetch(request);

/** A class, or what is taught when, as the studio has it now, or as it was last shown here. */
async function shown(request: Request): Promise<Response> {
  const asked = fetch(request);
  const answer = await soon(asked, PATIENCE_CLASS);
  if (answer?.ok) {
    await keep(request, answer.clone());
    return answer;
  }
  return (await caches.match(request.url, { cacheName: KEPT_ANSWERS })) ?? answer ?? asked;
}

async function keep(request: Request, answer: Response): Promise<void> {
  try {
    const cache = await caches.open(KEPT_ANSWERS);
    await cache.delete(request.url);
    await cache.put(request.url, answer);
    const all = await cache.keys();
    await Promise.all(all.slice(0, -MOST_ANSWERS).map((old) => cache.delete(old)));
  } catch {
    // A device that is full shows it all the same.
  }
}

/** What was asked for, if it comes in time; undefined where it does not, or fails. */
const soon = (asked: Promise<Response>, milliseconds: number): Promise<Response | undefined> =>
  Promise.race([
    asked.catch(() => undefined),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), milliseconds)),
  ]);
