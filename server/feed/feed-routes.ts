import express, { type Request, type Response, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import * as z from 'zod';
import { SECRET } from '../parts/secrets';
import { type Outcome, FeedStore } from './feed-store';

const CALENDAR = z.string().regex(/^BEGIN:VCALENDAR\r\n[^]*END:VCALENDAR\r\n$/);
const LARGEST = '4mb';
const NOTHING = 'There is nothing at this address.\n';
const STATUS: Record<Outcome, number> = { done: 204, refused: 403, full: 507 };

/**
 * The calendars that are read at an address nobody can guess: `PUT` and `DELETE /feeds/ID` with the header `Recado-Key`, `GET /calendar/ID.ics`.
 * `GET /feeds` says that this server gives them. An address that was made up, cut or withdrawn is answered like any that is none.
 *
 * @param folder where they are kept
 */
export function feedRoutes(folder: string): Router {
  const store = new FeedStore(folder);
  const routes = Router();
  const limit = (perMinute: number) => rateLimit({ windowMs: 60_000, limit: perMinute, standardHeaders: 'draft-8', legacyHeaders: false });
  routes.get('/feeds', (_request, response) => void response.json({ offers: true }));
  const change =
    (work: (id: string, key: string, request: Request) => Promise<Outcome | null>) =>
    async (request: Request, response: Response): Promise<void> => {
      const id = SECRET.safeParse(request.params['id']);
      const key = SECRET.safeParse(request.get('recado-key'));
      const outcome = id.success && key.success ? await work(id.data, key.data, request) : null;
      if (outcome === null) response.status(400).type('text/plain').send('This is no calendar of Recado.\n');
      else response.status(STATUS[outcome]).end();
    };
  routes.put(
    '/feeds/:id',
    limit(30),
    express.text({ type: 'text/calendar', limit: LARGEST }),
    change(async (id, key, { body }) => {
      const calendar = CALENDAR.safeParse(body);
      return calendar.success ? store.write(id, key, calendar.data) : null;
    }),
  );
  routes.delete(
    '/feeds/:id',
    limit(30),
    change((id, key) => store.remove(id, key)),
  );
  routes.get('/calendar/:file', limit(120), async (request, response) => {
    const name = /^([\w-]{22})\.ics$/.exec(String(request.params.file))?.[1];
    const calendar = name === undefined ? null : await store.read(name);
    response.set({ 'Cache-Control': 'private, no-cache', 'X-Robots-Tag': 'noindex' });
    if (calendar === null) response.status(404).type('text/plain').send(NOTHING);
    else response.type('text/calendar; charset=utf-8').send(calendar);
  });
  return routes;
}
