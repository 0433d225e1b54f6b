import { ROOM_PAGES } from '@warm-ladder/core/formats';

/** Keeps the pages of the room on this device, where the browser trusts the address: this machine’s own, or over TLS. */
export function keepOffline(): void {
  if (!('serviceWorker' in navigator)) return;
  for (const page of ROOM_PAGES) {
    // A device that can’t keep them shows them all the same.
    navigator.serviceWorker.register('/offline.js', { scope: `/${page}` }).catch(() => undefined);
  }
}
