import { cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { addressWithin } from './address-within';
import { readMessage } from './worker-message';

/** Of the scope of a service worker what is used here; the types of the page and of the worker cannot be had together. */
interface Scope {
  __WB_MANIFEST: { url: string; revision: string | null }[];
  skipWaiting: () => Promise<void>;
  clients: {
    claim: () => Promise<void>;
    matchAll: (asked: { type: 'window'; includeUncontrolled: boolean }) => Promise<Client[]>;
    openWindow: (url: string) => Promise<unknown>;
  };
  addEventListener: (type: string, listen: (event: WorkerEvent) => void) => void;
}

interface Client {
  focus: () => Promise<Client>;
  postMessage: (message: unknown) => void;
}

interface WorkerEvent {
  data?: unknown;
  notification?: { close: () => void; data?: unknown };
  waitUntil: (work: Promise<unknown>) => void;
}

declare const self: Scope;

const files = self.__WB_MANIFEST;

// The whole program, as one build made it: every page of it is the same file, and no file of another build is among them.
precacheAndRoute(files, { ignoreURLParametersMatching: [/.*/] });
cleanupOutdatedCaches();
/** What the server answers itself. */
const SERVED = /^\/(?:assets|calendar|desks|feeds|healthz|invitations|lending|lent)(?:\/|$)/;
registerRoute(new NavigationRoute(createHandlerBoundToURL('index.html'), { denylist: [SERVED] }));

self.addEventListener('message', (event) => {
  const message = readMessage(event.data);
  if (message?.is === 'take over') event.waitUntil(self.skipWaiting());
  // A page that another build made goes on with the network, and has this one when it is opened next.
  else if (message?.is === 'take me' && files.some(({ url }) => `/${url}` === message.script)) event.waitUntil(self.clients.claim());
});

self.addEventListener('notificationclick', (event) => {
  event.notification?.close();
  const address = addressWithin(event.notification?.data);
  event.waitUntil(show(address));
});

/** Shows an address in a window that is open, else in a new one. */
async function show(address: string): Promise<void> {
  const [client] = await self.clients.matchAll({ type: 'window', includeUncontrolled: true });
  if (!client) return void (await self.clients.openWindow(address));
  (await client.focus()).postMessage({ is: 'go to', address });
}
