import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import compression from 'compression';
import helmet from 'helmet';
import path from 'node:path';
import { type DavPlace, DavFiles } from './desk/dav-files';
import { deskRoutes } from './desk/desk-routes';
import { DeskStore } from './desk/desk-store';
import { DiskFiles } from './desk/disk-files';
import { feedRoutes } from './feed/feed-routes';
import { type LendingHere, lendingRoutes } from './lending/lending-routes';
import { outsideRoutes } from './outside/outside-routes';

/** What the server reaches beside this machine. */
export interface Beyond {
  /** Where the files of desks lie instead; null for this machine. */
  dav: DavPlace | null;
  /** The origins of the outside services that may be called; null for any, asked from this machine itself. */
  services: readonly string[] | null;
  /** What lends; null where nothing is lent. */
  lending: LendingHere | null;
}

const NOTHING_BEYOND: Beyond = { dav: null, services: null, lending: null };

/**
 * Serves the built application: static files under strict headers, and `/healthz`. Of notes nothing is kept here that it could read but the
 * calendars that somebody wants to be given, and what is lent; what is joined with an outside list passes through.
 *
 * @param folder the folder of the build
 * @param data where calendars and desks are kept
 */
export function makeApp(folder: string, data: string, { dav, services, lending }: Beyond = NOTHING_BEYOND): Express {
  const app = express();
  app.disable('x-powered-by');
  // A proxy on this machine says for whom it asks; nobody else is believed.
  app.set('trust proxy', 'loopback');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          'default-src': ["'none'"],
          'script-src': ["'self'"],
          // The editor, the primitives and the charts set styles on elements.
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'font-src': ["'self'"],
          // Not every browser takes the sockets of a page for its own address.
          'connect-src': ["'self'", (request) => socketsOf(request.headers.host)],
          'worker-src': ["'self'"],
          'manifest-src': ["'self'"],
          'object-src': ["'none'"],
          'base-uri': ["'none'"],
          'form-action': ["'self'"],
          'frame-ancestors': ["'none'"],
        },
      },
      // Over plain HTTP on this machine it would lock other programs on localhost out.
      strictTransportSecurity: false,
      referrerPolicy: { policy: 'no-referrer' },
    }),
  );
  app.get('/healthz', (_request, response) => {
    response.json({ ok: true });
  });
  app.use(compression());
  app.use(feedRoutes(path.join(data, 'calendars')));
  app.use(outsideRoutes(services));
  if (lending) app.use(lendingRoutes(lending));
  // Of the address what tells one from another stands behind its `#`, and never comes here: all of them are this page.
  app.get('/lent{/*any}', (_request, response) => {
    response.set({ 'Cache-Control': 'private, no-store', 'X-Robots-Tag': 'noindex, nofollow' });
    response.sendFile('lent.html', { root: folder, cacheControl: false, lastModified: false, etag: false });
  });
  const desks = path.join(data, 'desks');
  const filesOf = (name: string) => (dav ? new DavFiles(dav, name) : new DiskFiles(path.join(desks, name, 'files')));
  app.use(deskRoutes(new DeskStore(desks, filesOf, dav !== null)));
  app.use('/assets', express.static(path.join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(folder, { index: false, maxAge: 0 }));
  // The addresses of the application's own pages; whatever else is no file of the build is nothing.
  app.get(PAGES, (request, response, next) => {
    if (request.accepts('html')) response.sendFile('index.html', { root: folder, maxAge: 0 });
    else next();
  });
  app.use((_request: Request, response: Response) => {
    response.status(404).type('text/plain').send('There is nothing at this address.\n');
  });
  // Neither where the program lies nor how it failed is anybody's business.
  app.use((error: Failure, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) return next(error);
    const status = statusOf(error);
    const words = WRONG[status] ?? 'There is nothing at this address.';
    response.status(status).type('text/plain').send(`${words}\n`);
  });
  return app;
}

/** The sockets of the host that a page was asked of; a name that is none adds nothing. */
const socketsOf = (host = ''): string => (/^(?:[\w.-]+|\[[\da-f:]+\])(?::\d{1,5})?$/i.test(host) ? `ws://${host} wss://${host}` : "'self'");

interface Failure {
  status?: unknown;
  code?: unknown;
}

/** What is answered where something failed: what was wrong with a request, a disk that is full (RFC 4918, 11.5), or nothing of it. */
function statusOf({ status, code }: Failure): number {
  if (code === 'ENOSPC' || code === 'EDQUOT') return 507;
  return typeof status === 'number' && status >= 400 && status < 500 ? status : 500;
}

const WRONG: Record<number, string> = {
  413: 'This is too large.',
  500: 'The server could not answer this.',
  507: 'The disk of the server is full.',
};

/** As the routes of the application are. */
const PAGES = [
  '/',
  '/note{/*path}',
  '/day/:day',
  '/tag{/*path}',
  '/person{/*path}',
  '/status{/*path}',
  '/folder{/*path}',
  '/item/:ref',
  '/series{/*path}',
  '/ask',
  '/through',
  '/brainstorm',
  '/help{/:page}',
  '/earlier{/*path}',
  '/keep',
  '/files',
  '/outside{/*path}',
  '/lent-out',
  '/link',
  '/settings',
  '/days',
  '/slip',
  '/find',
];
