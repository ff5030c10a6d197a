import express, { type Request, type RequestHandler, type Response, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import * as z from 'zod';
import { LENT_RIGHTS } from '../../src/core/sharing/lend/lent-messages';
import { SECRET } from '../parts/secrets';
import type { Lending } from './lending';

const NAME = z.string().regex(/^[0-9a-f]{64}$/);
const WISH = z.strictObject({
  rights: z.enum(LENT_RIGHTS),
  until: z.number().int().nonnegative().nullable(),
  word: z.string().min(1).max(100).nullable().optional(),
  ended: z.boolean().optional(),
});
const NOTHING = 'There is nothing at this address.';

/** Gives what lends; null where nothing can be lent now, since what is lent cannot be opened. */
export type LendingHere = () => Promise<Lending | null>;

/**
 * What the owner of a lent text asks of the server, with their key in the header `Recado-Key`; borrowers come by the socket alone.
 *
 * - `GET /lending`: whether this server lends
 * - `PUT /lending/NAME`: lends a text, or changes how
 * - `GET /lending/NAME`: who opened and changed it
 * - `GET /lending/NAME/text`: all that is kept of it, in the form of Yjs
 * - `DELETE /lending/NAME`: it goes with all that is known of it
 *
 * NAME is the digest of the address (SHA-256, FIPS 180-4, as hexadecimal digits), which never comes here.
 */
export function lendingRoutes(here: LendingHere): Router {
  const routes = Router();
  const limit = (perMinute: number): RequestHandler =>
    rateLimit({ windowMs: 60_000, limit: perMinute, standardHeaders: 'draft-8', legacyHeaders: false });
  const asked =
    (work: (lending: Lending, name: string, key: string, request: Request, response: Response) => Promise<void>): RequestHandler =>
    async (request, response) => {
      response.set('Cache-Control', 'no-store');
      const lending = await here();
      if (!lending) return say(response, 503, 'Nothing can be lent here now.');
      const [name, key] = [NAME.safeParse(request.params['name']), SECRET.safeParse(request.get('recado-key'))];
      if (!name.success || !key.success) return say(response, 404, NOTHING);
      await work(lending, name.data, key.data, request, response);
    };
  routes.get('/lending', limit(120), async (_request, response) => {
    response.set('Cache-Control', 'no-store');
    response.json({ offers: (await here()) !== null });
  });
  routes
    .route('/lending/:name')
    .all(limit(300))
    .get(
      asked(async (lending, name, key, _request, response) => {
        const state = await lending.state(name, key);
        if (state) response.json(state);
        else say(response, 404, NOTHING);
      }),
    )
    .put(
      express.json({ limit: '4kb' }),
      asked(async (lending, name, key, request, response) => {
        const wish = WISH.safeParse(request.body);
        if (!wish.success) return say(response, 400, 'This is nothing that can be lent.');
        const outcome = await lending.lend(name, key, wish.data);
        if (outcome === 'done') response.status(204).end();
        else if (outcome === 'full') say(response, 507, 'This server lends no more.');
        else say(response, 404, NOTHING);
      }),
    )
    .delete(
      asked(async (lending, name, key, _request, response) => {
        if ((await lending.drop(name, key)) === 'done') response.status(204).end();
        else say(response, 404, NOTHING);
      }),
    );
  routes.get(
    '/lending/:name/text',
    limit(60),
    asked(async (lending, name, key, _request, response) => {
      const text = await lending.text(name, key);
      if (text) response.type('application/octet-stream').send(Buffer.from(text));
      else say(response, 404, NOTHING);
    }),
  );
  return routes;
}

const say = (response: Response, status: number, words: string): void => void response.status(status).type('text/plain').send(`${words}\n`);
