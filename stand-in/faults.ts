import type { NextFunction, RequestHandler, Response } from 'express';

/**
 * What goes wrong on demand, for the requests of programs.
 *
 * - `refuse`: the access key counts no more
 * - `error`: 500
 * - `busy`: 429, with the seconds after which to come again (RFC 9110, 10.2.3)
 * - `half`: the answer ends in its middle
 * - `slow`: it takes some seconds
 * - `silent`: it never comes
 */
export type Fault = 'refuse' | 'error' | 'busy' | 'half' | 'slow' | 'silent';

export const FAULTS: readonly Fault[] = ['refuse', 'error', 'busy', 'half', 'slow', 'silent'];

/** How long a slow answer takes, in milliseconds, and when one is to come again that was busy, in seconds. */
const SLOW = 3000;
const AGAIN = 2;

/** Faults that are asked for, and how many requests they last; one after the other. */
export class Faults {
  private waiting: { fault: Fault; count: number }[] = [];

  ask(fault: Fault, count: number): void {
    this.waiting.push({ fault, count });
  }

  clear(): void {
    this.waiting = [];
  }

  get present(): readonly { fault: Fault; count: number }[] {
    return this.waiting;
  }

  readonly handler: RequestHandler = (_request, response, next) => {
    const [first] = this.waiting;
    if (!first) return next();
    first.count -= 1;
    if (first.count <= 0) this.waiting.shift();
    fail(first.fault, response, next);
  };
}

function fail(fault: Fault, response: Response, next: NextFunction): void {
  switch (fault) {
    case 'refuse':
      response.status(401).set('WWW-Authenticate', 'Basic realm="Outside"').send('The key counts no more.\n');
      return;
    case 'error':
      response.status(500).send('Something broke.\n');
      return;
    case 'busy':
      response.status(429).set('Retry-After', String(AGAIN)).send('Too much was asked.\n');
      return;
    case 'half':
      response.send = (body: unknown) => {
        const words = String(body);
        response.set('Content-Length', String(Buffer.byteLength(words)));
        response.write(words.slice(0, words.length / 2), () => response.destroy());
        return response;
      };
      next();
      return;
    case 'slow':
      setTimeout(next, SLOW);
      return;
    case 'silent':
      return;
  }
}
