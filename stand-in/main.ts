import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { makeStandIn } from './app';

const PORT = Number(process.env['OUTSIDE_PORT'] ?? 4183);
const folder = path.resolve(process.env['OUTSIDE_DATA'] || path.join(import.meta.dirname, '../data/outside'));
mkdirSync(folder, { recursive: true });
const key = keyIn(path.join(folder, 'key.txt'));

// For this machine alone, whatever the environment says.
makeStandIn(path.join(folder, 'lists'), key)
  .app.listen(PORT, '127.0.0.1', () => {
    console.log(`The outside list is open at http://localhost:${PORT}; its key is ${key}`);
  })
  .on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${PORT} is taken by another program. Choose another: OUTSIDE_PORT=4193 npm run outside`
        : `The outside list cannot start: ${error.message}`,
    );
    process.exit(1);
  });

/** The key that was made at the first start. */
function keyIn(file: string): string {
  try {
    return readFileSync(file, 'utf8').trim();
  } catch {
    const made = randomBytes(12).toString('base64url');
    writeFileSync(file, `${made}\n`, { mode: 0o600 });
    return made;
  }
}
