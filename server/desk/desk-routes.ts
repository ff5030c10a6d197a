import express, { type Request, type RequestHandler, type Response, Router } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import * as z from 'zod';
import { SECRET } from '../parts/secrets';
import type { Desk } from './desk';
import type { DeskStore } from './desk-store';
import { Invitations } from './invitations';

const NAME = z.string().regex(/^[\w-]{1,64}$/);
const DIGEST = z.string().regex(/^[0-9a-f]{64}$/);
const TOKEN = z.string().max(64);
/** A strong entity tag, as RFC 9110, 8.8.3 writes it. */
const TAG = /^"([\w-]{1,128})"$/;
/** A sealed file begins so (age-encryption.org/v1). */
const SEALED = Buffer.from('age-encryption.org/v1\n');
const LARGEST = '64mb';
const LARGEST_INVITATION = '8kb';
const MINUTE = 60_000;

const sealed = (limit: string): RequestHandler => express.raw({ type: 'application/octet-stream', limit });
const isSealed = (body: unknown): body is Buffer => Buffer.isBuffer(body) && body.subarray(0, SEALED.length).equals(SEALED);
const say = (response: Response, status: number, words: string): void => void response.status(status).type('text/plain').send(`${words}\n`);

/**
 * Desks: files by name, as WebDAV has them (RFC 4918), each changed only by who says what is there (`If-Match`, `If-None-Match`, RFC 9110, 13.1).
 *
 * - `GET /desks`: that this server keeps some
 * - `PUT` and `DELETE /desks/ID`: begins and removes one
 * - `GET /desks/ID/changes?since=TOKEN`: what changed
 * - `GET`, `PUT` and `DELETE /desks/ID/files/NAME`
 * - `PUT` and `DELETE /desks/ID/devices/DIGEST`: lets another device in, or no more
 * - `PUT`, `GET` and `DELETE /invitations/ID`: sealed words for a device that is to be linked, given once
 *
 * All but the last ask for the key of a device in the header `Recado-Key`. A desk that is not there is answered like one whose key is wrong.
 */
export function deskRoutes(store: DeskStore): Router {
  const routes = Router();
  const invitations = new Invitations();
  const limits = { windowMs: MINUTE, standardHeaders: 'draft-8', legacyHeaders: false } as const;
  const busy = rateLimit({ ...limits, limit: 30_000 });
  // Who guesses at a desk is stopped soon, and holds up nobody at another one.
  const guesses = rateLimit({
    ...limits,
    limit: 60,
    keyGenerator: ({ ip = '', params }) => `${ipKeyGenerator(ip)} ${String(params['id'])}`,
    skipSuccessfulRequests: true,
    requestWasSuccessful: (_, { statusCode }) => statusCode !== 404,
  });
  const few = (): RequestHandler => rateLimit({ ...limits, limit: 30 });

  const opened =
    (work: (desk: Desk, request: Request, response: Response) => Promise<void> | void): RequestHandler =>
    async (request, response) => {
      response.set('Cache-Control', 'no-store');
      const [id, key] = [SECRET.safeParse(request.params['id']), SECRET.safeParse(request.get('recado-key'))];
      const desk = id.success && key.success ? await store.open(id.data, key.data) : null;
      if (!desk) return say(response, 404, 'There is nothing at this address.');
      await work(desk, request, response);
    };
  const named = (work: (desk: Desk, name: string, request: Request, response: Response) => Promise<void>): RequestHandler =>
    opened(async (desk, request, response) => {
      const name = NAME.safeParse(request.params['name']);
      if (!name.success) return say(response, 400, 'This is no name of a file.');
      await work(desk, name.data, request, response);
    });

  routes.get('/desks', (_request, response) => void response.json({ offers: true }));
  routes.put('/desks/:id', few(), async (request, response) => {
    const [id, key] = [SECRET.safeParse(request.params['id']), SECRET.safeParse(request.get('recado-key'))];
    if (!id.success || !key.success) return say(response, 400, 'This is no desk of Recado.');
    const outcome = await store.begin(id.data, key.data);
    if (outcome === 'done') response.status(201).end();
    else if (outcome === 'full') say(response, 507, 'This server keeps no more desks.');
    else say(response, 404, 'There is nothing at this address.');
  });
  routes.delete(
    '/desks/:id',
    guesses,
    opened(async (_desk, request, response) => {
      await store.drop(SECRET.parse(request.params['id']));
      response.status(204).end();
    }),
  );
  routes.get(
    '/desks/:id/changes',
    busy,
    guesses,
    opened(async (desk, request, response) => {
      const since = TOKEN.safeParse(request.query['since']);
      response.json(await desk.changes(since.success ? since.data : null));
    }),
  );
  routes
    .route('/desks/:id/files/:name')
    .all(busy, guesses)
    .get(
      named(async (desk, name, _request, response) => {
        const found = await desk.read(name);
        if (!found) return say(response, 410, 'There is no such file.');
        response.set('ETag', `"${found.tag}"`).type('application/octet-stream').send(found.bytes);
      }),
    )
    .put(
      sealed(LARGEST),
      named(async (desk, name, request, response) => {
        const before = conditionOf(request);
        if (before === undefined) return say(response, 428, 'Say what is there: If-Match or If-None-Match.');
        if (!isSealed(request.body)) return say(response, 400, 'Only sealed files are kept here.');
        const file = await desk.write(name, request.body, before);
        if (file === 'full') say(response, 507, 'This desk is full.');
        else if (!file) say(response, 412, 'Something else is there.');
        else response.set('ETag', `"${file.tag}"`).status(204).end();
      }),
    )
    .delete(
      named(async (desk, name, request, response) => {
        const before = conditionOf(request);
        if (typeof before !== 'string') return say(response, 428, 'Say what is there: If-Match.');
        if (await desk.remove(name, before)) response.status(204).end();
        else say(response, 412, 'Something else is there.');
      }),
    );
  const device = (work: (id: string, digest: string) => Promise<'done' | 'full' | void>): RequestHandler =>
    opened(async (_desk, request, response) => {
      const digest = DIGEST.safeParse(request.params['digest']);
      if (!digest.success) return say(response, 400, 'This is no device.');
      if ((await work(SECRET.parse(request.params['id']), digest.data)) === 'full') say(response, 507, 'This desk has too many devices.');
      else response.status(204).end();
    });
  routes
    .route('/desks/:id/devices/:digest')
    .all(few(), guesses)
    .put(device((id, digest) => store.grant(id, digest)))
    .delete(device((id, digest) => store.revoke(id, digest)));
  routes
    .route('/invitations/:id')
    .all(few())
    .put(sealed(LARGEST_INVITATION), (request, response) => {
      const id = NAME.safeParse(request.params['id']);
      if (!id.success || !isSealed(request.body)) return say(response, 400, 'This is no invitation.');
      if (invitations.put(id.data, request.body)) response.status(204).end();
      else say(response, 409, 'Another invitation waits there.');
    })
    .get((request, response) => {
      response.set('Cache-Control', 'no-store');
      const found = invitations.take(request.params.id);
      if (found) response.type('application/octet-stream').send(found);
      else say(response, 404, 'There is nothing at this address.');
    })
    .delete((request, response) => {
      invitations.take(request.params.id);
      response.status(204).end();
    });
  return routes;
}

/** What a writer says is there: a tag, null for nothing, undefined where it does not say. */
function conditionOf(request: Request): string | null | undefined {
  const tag = TAG.exec(request.get('if-match') ?? '')?.[1];
  if (tag !== undefined) return tag;
  return request.get('if-none-match') === '*' ? null : undefined;
}
