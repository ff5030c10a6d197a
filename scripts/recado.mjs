// The command-line runner: `npm run --silent recado -- COMMAND`.
import { spawnSync } from 'node:child_process';
import { binOf, ensureInstalled, root } from './ensure.mjs';
import path from 'node:path';

ensureInstalled({ quiet: true });
// Where npm was called, so that paths mean what the person typed.
const cwd = process.env.INIT_CWD ?? process.cwd();
const { status } = spawnSync(process.execPath, [binOf('tsx'), path.join(root, 'cli/main.ts'), ...process.argv.slice(2)], {
  cwd,
  stdio: 'inherit',
});
process.exit(status ?? 1);
