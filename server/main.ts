import path from 'node:path';
import { makeApp } from './app';

const DEFAULT_PORT = 4180;

function portFrom(words: string | undefined): number {
  const port = words === undefined || words === '' ? DEFAULT_PORT : Number(words);
  if (Number.isInteger(port) && port >= 0 && port < 65536) return port;
  console.error(`PORT is “${words}”, which is no port. Use a number from 1 to 65535.`);
  process.exit(2);
}

const folder = path.resolve(import.meta.dirname, '../dist/web');
const server = makeApp(folder).listen(portFrom(process.env['PORT']));

server.on('listening', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : DEFAULT_PORT;
  console.log(`Recado is open at http://localhost:${port}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE')
    console.error(`Port ${portFrom(process.env['PORT'])} is taken by another program. Choose another: PORT=4190 npm start`);
  else console.error(`The server cannot start: ${error.message}`);
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close();
    server.closeAllConnections();
  });
}
