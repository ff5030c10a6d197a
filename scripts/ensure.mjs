// What the commands of the project need before they can run; Node built-ins only, since nothing is installed yet.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';

export const root = path.resolve(import.meta.dirname, '..');
const cache = path.join(root, '.cache');
const CHROMIUM = '/usr/bin/chromium';

/** Runs a command with its output shown, or `quiet` with it shown where it fails; ends this process when it fails. */
export function run(command, args, { quiet = false, ...options } = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: quiet ? 'pipe' : 'inherit', ...options });
  if (result.status === 0) return;
  if (quiet) console.error(`${result.stdout}${result.stderr}`);
  process.exit(result.status ?? 1);
}

/** Runs a program that npm installed. */
export function runBin(name, args, options = {}) {
  run(process.execPath, [binOf(name), ...args], options);
}

/** The file behind an installed program: `vite`, or `typescript:tsc` where the program is called otherwise. */
export function binOf(name) {
  const [packageName, program = packageName] = name.split(':');
  const folder = path.join(root, 'node_modules', packageName);
  const { bin } = JSON.parse(readFileSync(path.join(folder, 'package.json'), 'utf8'));
  return path.join(folder, typeof bin === 'string' ? bin : (bin[program] ?? Object.values(bin)[0]));
}

/** Installs the packages when they are missing or the lock file changed. */
export function ensureInstalled({ quiet = false } = {}) {
  const major = Number(process.versions.node.split('.')[0]);
  if (major < 20) {
    console.error(`Recado needs Node 20 or newer; this is ${process.version}.`);
    process.exit(2);
  }
  const stamp = hashOf([path.join(root, 'package-lock.json')]);
  if (existsSync(path.join(root, 'node_modules')) && isStamped('installed', stamp)) return;
  console.error('Installing packages …');
  // Not `npm ci`: a lock file without download addresses leaves other systems' native parts out, which it refuses.
  run('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'], {
    shell: process.platform === 'win32',
    // What a command prints must be its answer alone.
    ...(quiet && { stdio: ['inherit', 2, 2] }),
  });
  writeStamp('installed', stamp);
}

/** Builds the application when anything it is made of changed. */
export function ensureBuilt() {
  const sources = ['src', 'demo', 'public'].flatMap((folder) => filesIn(path.join(root, folder)));
  const stamp = hashOf([
    ...sources,
    ...['index.html', 'lent.html', 'manifest.ts', 'vite.config.ts', 'vite.lent.config.ts', 'package-lock.json'].map((file) =>
      path.join(root, file),
    ),
  ]);
  if (existsSync(path.join(root, 'dist/web/index.html')) && isStamped('built', stamp)) return;
  console.log('Building …');
  runBin('vite', ['build', '--logLevel', 'warn'], { quiet: true });
  writeStamp('built', stamp);
}

/** Installs Debian's Chromium when there is none, for the end-to-end tests. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return;
  if (!installDebian('chromium')) process.exit(1);
}

/** Debian's Firefox, for one journey; null where it is not there and cannot be installed. */
export function ensureFirefox() {
  const known = ['/usr/bin/firefox-esr', '/usr/bin/firefox'];
  const find = () => known.find((file) => existsSync(file)) ?? null;
  return find() ?? (installDebian('firefox-esr') ? find() : null);
}

/** Installs a package of Debian's; whether it could. */
function installDebian(name) {
  console.log(`Installing ${name} …`);
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  return [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', name],
  ].every((args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return (
      spawnSync(command, rest, { cwd: root, stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } }).status === 0
    );
  });
}

function filesIn(folder) {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .map((entry) => path.join(entry.parentPath, entry.name))
    .filter((file) => !/\.test\.tsx?$/.test(file))
    .sort();
}

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files)
    if (existsSync(file) && statSync(file).isFile())
      hash.update(path.relative(root, file)).update('\0').update(readFileSync(file)).update('\0');
  return hash.digest('hex');
}

function isStamped(name, stamp) {
  const file = path.join(cache, name);
  return existsSync(file) && readFileSync(file, 'utf8') === stamp;
}

function writeStamp(name, stamp) {
  mkdirSync(cache, { recursive: true });
  writeFileSync(path.join(cache, name), stamp);
}
