// Writes docs/licences.md: every package of which anything ships, with its licence. `--check` only says whether that is still so.
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { builtinModules } from 'node:module';
import path from 'node:path';
import { root } from './ensure.mjs';

const PARTS = ['src', 'server', 'cli', 'stand-in'];
const PAGE = path.join(root, 'docs/licences.md');
const IMPORTED = /(?:from|import)\s*\(?\s*'([^'.][^'?]*)'/g;

/** Where package.json says another thing than the text that lies beside it: the text counts. */
const BY_TEXT = { '@sesamecare-oss/redlock': 'MIT' };

/** What only helpers of tests import. */
const TOOLS = new Set(['fake-indexeddb', 'fast-check', 'jest', '@playwright/test']);

/** `@scope/name` or `name`, of what an import names. */
const packageOf = (wanted) =>
  wanted
    .split('/')
    .slice(0, wanted.startsWith('@') ? 2 : 1)
    .join('/');

function sourceFiles(folder) {
  return readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && /\.(?:tsx?|css)$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name))
    .map((entry) => path.join(entry.parentPath, entry.name));
}

function named() {
  const names = new Set();
  for (const file of PARTS.flatMap((part) => sourceFiles(path.join(root, part)))) {
    const text = readFileSync(file, 'utf8');
    const found = file.endsWith('.css') ? text.matchAll(/@import\s+'([^'.][^']*)'/g) : text.matchAll(IMPORTED);
    for (const [, wanted] of found) names.add(packageOf(wanted));
  }
  return [...names].filter((name) => !name.startsWith('node:') && !TOOLS.has(name) && !builtinModules.includes(name));
}

/** Where a package lies, as seen from another: beside it, or further up. */
function folderOf(name, from) {
  for (let at = from; at.startsWith(root); at = path.dirname(at)) {
    const folder = path.join(at, 'node_modules', name);
    if (existsSync(path.join(folder, 'package.json'))) return folder;
  }
  return null;
}

function shipped() {
  const found = new Map();
  const look = (name, from) => {
    const folder = folderOf(name, from);
    if (folder === null || found.has(folder)) return;
    const info = JSON.parse(readFileSync(path.join(folder, 'package.json'), 'utf8'));
    const licence = BY_TEXT[info.name] ?? (typeof info.license === 'string' ? info.license : 'see its files');
    found.set(folder, { name: info.name, version: info.version, licence });
    for (const other of Object.keys(info.dependencies ?? {})) look(other, folder);
  };
  for (const name of named()) look(name, root);
  // Two copies of one version are one.
  const each = new Map([...found.values()].map((one) => [`${one.name} ${one.version}`, one]));
  return [...each.keys()].sort().map((key) => each.get(key));
}

function page(packages) {
  const byLicence = new Map();
  for (const one of packages) byLicence.set(one.licence, [...(byLicence.get(one.licence) ?? []), one]);
  const groups = [...byLicence].sort((a, b) => b[1].length - a[1].length || (a[0] < b[0] ? -1 : 1));
  return `# Licences

Recado is given under the MIT licence (LICENSE). It ships parts of these ${packages.length} packages, each under its own; the texts lie with the packages. The page is
written by \`node scripts/licences.mjs\`, and a test holds it to what is imported.

${groups.map(([licence, list]) => `## ${licence}\n\n${list.map(({ name, version }) => `${name} ${version}`).join(' · ')}\n`).join('\n')}`;
}

const wanted = page(shipped());
const present = existsSync(PAGE) ? readFileSync(PAGE, 'utf8') : '';
if (!process.argv.includes('--check')) writeFileSync(PAGE, wanted);
else if (wanted !== present) {
  console.error('docs/licences.md is not up to date: node scripts/licences.mjs');
  process.exit(1);
}
