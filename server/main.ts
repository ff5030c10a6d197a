import path from 'node:path';
import { makeApp } from './app';
import { listenPlace } from './listen-place';

const place = listenPlace(process.env);
if (typeof place === 'string') {
  console.error(place);
  process.exit(2);
}
const { port, host } = place;
const folder = path.resolve(import.meta.dirname, '../dist/web');
/** What the server keeps for people; `DATA` names another folder. */
const data = path.resolve(process.env['DATA'] || path.join(import.meta.dirname, '../data'));
const server = makeApp(folder, data).listen(port, host);

server.on('listening', () => {
  const address = server.address();
  const shown = typeof address === 'object' && address ? address.port : port;
  console.log(`Recado is open at http://${host === '127.0.0.1' ? 'localhost' : host}:${shown}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') console.error(`Port ${port} is taken by another program. Choose another: PORT=4190 npm start`);
  else if (error.code === 'EADDRNOTAVAIL' || error.code === 'ENOTFOUND')
    console.error(`HOST is “${host}”, which is no address of this machine.`);
  else console.error(`The server cannot start: ${error.message}`);
  process.exit(1);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    server.close();
    server.closeAllConnections();
  });
}
