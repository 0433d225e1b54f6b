import 'fake-indexeddb/auto';
import { browserStore, written } from './browserStore';

test('a store that does not open is none, at once from then on, until it opens after all', async () => {
  jest.useFakeTimers();
  const real = indexedDB.open.bind(indexedDB);
  const hanging = new IDBOpenDBRequest();
  const heard = jest.spyOn(hanging, 'addEventListener');
  const open = jest.spyOn(indexedDB, 'open').mockReturnValue(hanging);
  const write = written(['steps'], () => undefined);
  await jest.advanceTimersByTimeAsync(3_000);
  expect(await write).toBe(false);
  await expect(browserStore()).rejects.toThrow('does not open');
  expect(open).toHaveBeenCalledTimes(1);
  jest.useRealTimers();

  const db = await new Promise<IDBDatabase>((resolve) => {
    const request = real('late', 1);
    request.onupgradeneeded = () => request.result.createObjectStore('steps');
    request.onsuccess = () => resolve(request.result);
  });
  Object.defineProperty(hanging, 'result', { value: db });
  for (const [kind, listener] of heard.mock.calls) if (kind === 'success') (listener as () => void)();
  await new Promise((resolve) => setTimeout(resolve, 10));
  expect(await written(['steps'], () => undefined)).toBe(true);
});
