import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { type WebSocket, WebSocketServer } from 'ws';
import { LENT_LARGEST, LENT_SOCKET } from '../../src/core/sharing/lend/lent-messages';
import type { LendingHere } from './lending-routes';

export interface SocketLimits {
  /** So many at once, and of them from one address of the network. */
  most: number;
  ofOne: number;
  /** So many messages a socket may send a second, and at once after a rest. */
  perSecond: number;
  atOnce: number;
  /** So long a socket may be open without having been let in anywhere, in milliseconds. */
  patience: number;
}

const LIMITS: SocketLimits = { most: 5000, ofOne: 400, perSecond: 100, atOnce: 600, patience: 10_000 };
/** Beside a whole text a message has some room. */
const LARGEST_MESSAGE = LENT_LARGEST + 65_536;
const LOOPBACK = /^(?:127\.|::1$|::ffff:127\.)/;

/**
 * Joins the sockets of lending with an HTTP server: only from pages of this server itself, only so many, and only as much as hands and programs write.
 *
 * @returns puts all out
 */
export function joinSockets(server: Server, here: LendingHere, limits: SocketLimits = LIMITS): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LARGEST_MESSAGE, perMessageDeflate: false });
  const counts = new Map<string, number>();
  const upgrade = async (request: IncomingMessage, socket: Duplex, head: Buffer): Promise<void> => {
    if (pathOf(request) !== LENT_SOCKET) return refuse(socket, '404 Not Found');
    if (!isOwnPage(request)) return refuse(socket, '403 Forbidden');
    const from = addressOf(request);
    if (sockets.clients.size >= limits.most || (counts.get(from) ?? 0) >= limits.ofOne) return refuse(socket, '503 Service Unavailable');
    counts.set(from, (counts.get(from) ?? 0) + 1);
    let isCounted = true;
    socket.once('close', () => {
      if (isCounted) counts.set(from, (counts.get(from) ?? 1) - 1);
      isCounted = false;
      if (counts.get(from) === 0) counts.delete(from);
    });
    const lending = await here();
    if (!lending) return refuse(socket, '503 Service Unavailable');
    // The throttle believes this header: whoever sent it did not write it.
    request.headers['x-real-ip'] = from;
    delete request.headers['x-forwarded-for'];
    sockets.handleUpgrade(request, socket, head, (one) => {
      lending.hub.handleConnection(one, request, { letIn: watch(one, limits) });
    });
  };
  server.on('upgrade', (request, socket, head) => {
    socket.on('error', () => socket.destroy());
    void upgrade(request, socket, head).catch(() => socket.destroy());
  });
  return () => {
    for (const one of sockets.clients) one.terminate();
    sockets.close();
  };
}

/** Closes a socket that says too much, or is let in nowhere. */
function watch(socket: WebSocket, { perSecond, atOnce, patience }: SocketLimits): () => void {
  let left = atOnce;
  let at = Date.now();
  const waiting = setTimeout(() => socket.terminate(), patience);
  waiting.unref();
  socket.on('message', () => {
    const now = Date.now();
    left = Math.min(atOnce, left + ((now - at) / 1000) * perSecond) - 1;
    at = now;
    if (left < 0) socket.terminate();
  });
  socket.on('error', () => socket.terminate());
  socket.once('close', () => clearTimeout(waiting));
  return () => clearTimeout(waiting);
}

const pathOf = ({ url = '' }: IncomingMessage): string => url.split('?', 1)[0] ?? '';

/** Whether a page of this very server asks (RFC 6455, 10.2). */
function isOwnPage({ headers: { origin, host } }: IncomingMessage): boolean {
  if (origin === undefined || host === undefined || !URL.canParse(origin)) return false;
  return new URL(origin).host === host.toLowerCase();
}

/** A proxy on this machine says for whom it asks; nobody else is believed. */
function addressOf({ socket, headers }: IncomingMessage): string {
  const own = socket.remoteAddress ?? '';
  const said = LOOPBACK.test(own)
    ? String(headers['x-forwarded-for'] ?? '')
        .split(',')
        .at(-1)
        ?.trim()
    : '';
  return said || own;
}

function refuse(socket: Duplex, status: string): void {
  socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`);
}
