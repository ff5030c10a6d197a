const DEFAULT_PORT = 4180;
const LOOPBACK = '127.0.0.1';

/** Where the server listens. */
export interface ListenPlace {
  port: number;
  host: string;
}

/**
 * Reads where to listen from the environment: `PORT`, and `HOST` for more than this machine alone.
 *
 * @returns a plain message where that cannot be read
 * @example listenPlace({ PORT: '4190' }) // { port: 4190, host: '127.0.0.1' }
 */
export function listenPlace(given: { PORT?: string | undefined; HOST?: string | undefined }): ListenPlace | string {
  const words = given.PORT ?? '';
  const port = words === '' ? DEFAULT_PORT : Number(words);
  if (words !== '' && (!/^\d{1,5}$/.test(words) || port > 65_535))
    return `PORT is “${words}”, which is no port. Use a number from 1 to 65535.`;
  return { port, host: given.HOST || LOOPBACK };
}
