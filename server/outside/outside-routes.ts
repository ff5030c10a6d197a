import express, { type Request, type RequestHandler, type Response, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import * as z from 'zod';
import type { OutsideTrouble, OutsideWrite, PutResult, RemoveResult } from '../../src/core/sharing/outside/outside-task';
import { SHARED_FIELDS } from '../../src/core/sharing/outside/shared-task';
import { STATUSES } from '../../src/core/task/line/status';
import { CaldavService } from './caldav-service';
import type { Allows } from './guarded-fetch';
import { OutsideFailure } from './outside-failure';
import type { OutsideService } from './outside-service';
import { nowInUtc, zoneNamed } from './zone';

const MINUTE = 60_000;
const LARGEST = '16mb';
/** So many changes are sent at once. */
const AT_ONCE = 4;

const ADDRESS = z.string().max(2000).refine(isAddress);
const MOMENT = z.nullable(z.string().max(40));
const CALL = z.object({
  /** By which protocol it is spoken to; another one is another service behind the same words. */
  protocol: z.literal('caldav'),
  address: ADDRESS,
  user: z.string().max(200),
  key: z.string().max(1000),
  zone: z.string().max(80).refine(isZone),
});
const OF_LIST = CALL.extend({ list: ADDRESS });
const CHANGES = OF_LIST.extend({ token: z.nullable(z.string().max(2000)) });
const TASKS = OF_LIST.extend({ ids: z.array(ADDRESS).max(500) });
const TASK = z.object({
  words: z.string().max(20_000),
  status: z.enum(STATUSES),
  due: MOMENT,
  plan: MOMENT,
  priority: z.nullable(z.enum(['top', 'high', 'low'])),
  tags: z.array(z.string().max(200)).max(200),
  every: z.nullable(z.string().max(500)),
});
const WRITE = z.object({
  id: z.nullable(ADDRESS),
  uid: z.string().min(1).max(255),
  tag: z.nullable(z.string().max(500)),
  source: z.nullable(z.string().max(1_000_000)),
  change: z.object({
    fields: z.array(z.enum(SHARED_FIELDS)),
    task: TASK,
    more: z.nullable(z.object({ ref: z.string().max(20), description: z.string().max(100_000), url: z.string().max(2000) })),
  }),
});
const PUT = OF_LIST.extend({ writes: z.array(WRITE).max(100) });
const REMOVE = OF_LIST.extend({ removals: z.array(z.object({ id: ADDRESS, tag: z.string().max(500) })).max(100) });

/**
 * Speaks to outside services for the page, which may call no other address than ours. What is asked comes whole in each request, the key too, and
 * nothing of it is kept.
 *
 * - `GET /services`: that this server does
 * - `POST /services/lists`, `/changes`, `/tasks`, `/put`, `/remove`, as `OutsideService` has them
 *
 * What a service refused, or how it failed, is answered with the trouble instead.
 *
 * @param named the origins that may be called; null for any, asked from this machine itself
 */
export function outsideRoutes(named: readonly string[] | null, now: () => Date = () => new Date()): Router {
  const routes = Router();
  routes.get('/services', (request, response) => void response.json({ offers: named !== null || isOfThisMachine(request) }));
  routes.use(
    '/services',
    rateLimit({ windowMs: MINUTE, limit: 1200, standardHeaders: 'draft-8', legacyHeaders: false }),
    ownPagesAlone,
    express.json({ limit: LARGEST }),
  );
  const answering =
    <Call extends z.infer<typeof CALL>>(
      schema: z.ZodType<Call>,
      work: (service: OutsideService, call: Call) => Promise<object>,
    ): RequestHandler =>
    async (request, response) => {
      response.set('Cache-Control', 'no-store');
      const call = schema.safeParse(request.body);
      if (!call.success) return void response.status(400).type('text/plain').send('This is nothing that can be asked.\n');
      const { address, user, key, zone } = call.data;
      const service = new CaldavService({ address, user, key }, zoneNamed(zone), allowing(named, request), () => nowInUtc(now()));
      try {
        response.json({ ...(await work(service, call.data)), skew: service.heard.skew });
      } catch (error) {
        if (!(error instanceof OutsideFailure)) throw error;
        response.json({ trouble: error.trouble, after: error.after });
      }
    };
  routes.post(
    '/services/lists',
    answering(CALL, async (service) => ({ lists: await service.lists() })),
  );
  routes.post(
    '/services/changes',
    answering(CHANGES, (service, { list, token }) => service.changes(list, token)),
  );
  routes.post(
    '/services/tasks',
    answering(TASKS, async (service, { list, ids }) => ({ tasks: await service.tasks(list, ids) })),
  );
  routes.post(
    '/services/put',
    answering(PUT, async (service, { list, writes }) => ({
      results: await each<OutsideWrite, PutResult>(writes, (write) => service.put(list, write)),
    })),
  );
  routes.post(
    '/services/remove',
    answering(REMOVE, async (service, { list, removals }) => ({
      results: await each<Removal, RemoveResult>(removals, async ({ id, tag }) => ({
        is: (await service.remove(list, id, tag)) ? 'done' : 'other',
      })),
    })),
  );
  return routes;
}

type Removal = z.infer<typeof REMOVE>['removals'][number];
type Failed = { is: 'failed'; trouble: OutsideTrouble };

/** Does some at once; once the service is away, nothing more is asked of it. What is wrong with one keeps no other out. */
async function each<T, R>(all: readonly T[], work: (one: T) => Promise<R>): Promise<(R | Failed)[]> {
  const results: (R | Failed)[] = [];
  let stopped: OutsideTrouble | null = null;
  for (let at = 0; at < all.length; at += AT_ONCE) {
    const some = all.slice(at, at + AT_ONCE).map(async (one): Promise<R | Failed> => {
      if (stopped !== null) return { is: 'failed', trouble: stopped };
      try {
        return await work(one);
      } catch (error) {
        if (!(error instanceof OutsideFailure)) throw error;
        const { trouble } = error;
        if (trouble === 'away' || trouble === 'busy') stopped = trouble;
        return { is: 'failed', trouble };
      }
    });
    results.push(...(await Promise.all(some)));
  }
  return results;
}

/** Another page cannot have this server call others for it. */
const ownPagesAlone: RequestHandler = (request, response, next) => {
  const from = request.get('sec-fetch-site');
  if (from === undefined || from === 'same-origin') next();
  else refuse(response);
};

const refuse = (response: Response): void => void response.status(403).type('text/plain').send('Only pages of this server may ask that.\n');

const LOCAL: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '::1', '[::1]', '::ffff:127.0.0.1']);

/** Asked by a page that is open on this machine, by its own name: nobody else may use it to reach what this machine reaches. */
const isOfThisMachine = ({ hostname, ip = '' }: Request): boolean => LOCAL.has(hostname) && LOCAL.has(ip);

const allowing =
  (named: readonly string[] | null, request: Request): Allows =>
  ({ origin, protocol }) =>
    (protocol === 'https:' || protocol === 'http:') && (named ? named.includes(origin) : isOfThisMachine(request));

function isAddress(words: string): boolean {
  return URL.canParse(words) && /^https?:$/.test(new URL(words).protocol);
}

function isZone(name: string): boolean {
  try {
    zoneNamed(name);
    return true;
  } catch {
    return false;
  }
}

/**
 * Reads which services may be called from the words of the environment; null where they are no addresses.
 *
 * @example namedServices('https://lists.museum.example, https://team.example') // ['https://lists.museum.example', 'https://team.example']
 */
export function namedServices(words: string): string[] | null {
  const all = words.split(/[\s,]+/).filter(Boolean);
  return all.every(isAddress) ? all.map((one) => new URL(one).origin) : null;
}
