import express, { type Express } from 'express';
import compression from 'compression';
import helmet from 'helmet';
import path from 'node:path';

/**
 * Serves the built application: static files under strict headers, and `/healthz`. The notes never come here.
 *
 * @param folder the folder of the build
 */
export function makeApp(folder: string): Express {
  const app = express();
  app.disable('x-powered-by');
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
          'connect-src': ["'self'"],
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
  app.use('/assets', express.static(path.join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(folder, { index: false, maxAge: 0 }));
  // Addresses are the application's own: every other path is its page.
  app.get('/{*path}', (request, response, next) => {
    if (request.accepts('html')) response.sendFile('index.html', { root: folder, maxAge: 0 });
    else next();
  });
  return app;
}
