// The whole check: types, lint, formatting, import rules, unit tests, end-to-end tests. Prints one summed line.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { binOf, ensureBuilt, ensureChromium, ensureFirefox, ensureInstalled, root } from './ensure.mjs';

ensureInstalled();

const results = path.join(root, '.cache/results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });
let passed = 0;
let failed = 0;

function check(title, bin, args, env = {}) {
  console.log(`\n— ${title}`);
  const started = Date.now();
  const { status } = spawnSync(process.execPath, [binOf(bin), ...args], { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  console.log(`  ${((Date.now() - started) / 1000).toFixed(0)} s`);
  return status === 0;
}

/** A check without counts of its own is one check. What it says is printed when it is done, so that two can run side by side. */
async function single(title, bin, args) {
  const started = Date.now();
  const child = spawn(process.execPath, [binOf(bin), ...args], { cwd: root });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
  const status = await new Promise((resolve) => {
    child.on('close', resolve);
    child.on('error', (error) => {
      said += String(error);
      resolve(1);
    });
  });
  console.log(`\n— ${title}\n${said}  ${((Date.now() - started) / 1000).toFixed(0)} s`);
  if (status === 0) passed++;
  else failed++;
}

/** A runner that writes its counts; when it dies without them, that is one failure. */
function counted(title, bin, args, file, counts, env) {
  const fine = check(title, bin, args, env);
  const result = existsSync(file) ? counts(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 };
  passed += result.passed;
  failed += result.failed + (!fine && result.failed === 0 ? 1 : 0);
}

// Each keeps one core busy, and lint takes as long as the other three.
await Promise.all([
  single('lint', 'eslint', ['.', '--max-warnings', '0']),
  (async () => {
    await single('types', 'typescript:tsc', ['-p', '.']);
    await single('formatting', 'prettier', ['--check', '--log-level', 'warn', '.']);
    await single('import rules', 'dependency-cruiser:depcruise', [
      'src',
      'server',
      'stand-in',
      'cli',
      '--config',
      '.dependency-cruiser.cjs',
    ]);
  })(),
]);

const unit = path.join(results, 'unit.json');
counted('unit tests', 'jest', ['--json', `--outputFile=${unit}`, '--reporters=default', '--silent'], unit, (json) => ({
  passed: json.numPassedTests,
  failed: json.numFailedTests + json.numRuntimeErrorTestSuites,
}));

ensureChromium();
ensureBuilt();
const e2e = path.join(results, 'e2e.json');
counted(
  'end-to-end tests',
  '@playwright/test',
  ['test', '--reporter=line,json'],
  e2e,
  ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }),
  { PLAYWRIGHT_JSON_OUTPUT_FILE: e2e },
);

const firefox = ensureFirefox();
const journey = path.join(results, 'firefox.json');
if (firefox === null) console.log('\n— the journey in Firefox is skipped: Firefox is not here and cannot be installed');
else counted('a journey in Firefox', 'tsx', ['e2e/firefox/journey.ts', firefox, journey], journey, (json) => json);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
