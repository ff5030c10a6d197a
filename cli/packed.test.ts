import { type SpawnSyncReturns, execFileSync, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { COMMANDS, type CommandGuide, EXIT_CODES, commandGuide } from './guide/command-guides';
import { helpOf } from './guide/help';
import { manPage } from './guide/man-page';
import { exampleWords } from './test-examples';

/** Packing and installing start npm twice. */
const NPM_TAKES = 120_000;

let folder = '';
const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };

/** Runs a line of a shell, with the installed `recado` on the path, in the folder that holds the notes as `demo` and `notes`. */
function shell(line: string, where = folder): SpawnSyncReturns<string> {
  const env = { ...process.env, PATH: `${path.join(folder, 'installed/bin')}:${process.env['PATH'] ?? ''}`, TZ: 'Europe/Lisbon' };
  return spawnSync('bash', ['-c', line], { cwd: where, env, encoding: 'utf8' });
}

beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'recado-packed-'));
  execFileSync('npm', ['pack', '--silent', '--pack-destination', folder], { stdio: ['ignore', 'ignore', 'inherit'] });
  const file = path.join(folder, `recado-${version}.tgz`);
  // Nothing is fetched: all it needs is in the one file.
  const from = ['--offline', '--no-audit', '--no-fund', '--silent'];
  execFileSync('npm', ['install', '--global', '--prefix', path.join(folder, 'installed'), ...from, file], { stdio: 'ignore' });
  for (const name of ['demo', 'notes']) cpSync('demo', path.join(folder, name), { recursive: true });
}, NPM_TAKES);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the packed runner', () => {
  it('is one command with nothing beside it', () => {
    expect(shell('recado --version').stdout).toBe(`${version}\n`);
    const installed = path.join(folder, 'installed/lib/node_modules');
    expect(readdirSync(installed)).toEqual(['recado']);
    expect(existsSync(path.join(installed, 'recado/node_modules'))).toBe(false);
    expect(readdirSync(path.join(installed, 'recado/dist/runner')).sort()).toEqual(['recado.1', 'recado.mjs']);
  });

  it('answers the examples of all its commands', () => {
    const examples = exampleWords();
    writeFileSync(path.join(folder, 'examples.json'), JSON.stringify(examples));
    const { status, stdout, stderr } = shell('recado batch examples.json');
    expect([status, stderr]).toEqual([0, '']);
    const answers = JSON.parse(stdout) as unknown[];
    expect(answers).toHaveLength(examples.length);
    expect(answers.filter((answer) => typeof answer === 'object' && answer !== null && 'error' in answer)).toEqual([]);
  });

  it('says of each command what it is for, in the list, by itself, and in the manual', () => {
    const all = shell('recado --help').stdout;
    const manual = manPage(version);
    for (const { name, says, options } of COMMANDS) {
      expect(all).toContain(`${name.padEnd(10)}  ${says}`);
      const help = helpOf(commandGuide(name) as CommandGuide);
      expect(help).toContain(says);
      for (const option of options) expect(help).toContain(`--${option}`);
      expect(manual).toContain(`.B ${name}`);
    }
    expect(shell('recado gather --help').stdout).toBe(shell('recado help gather').stdout);
    expect(shell('recado help nothing')).toMatchObject({ status: 2, stderr: 'There is no command “nothing”.\n' });
  });

  it('has the exit codes that it names', () => {
    expect(EXIT_CODES.map(([code]) => code)).toEqual([0, 1, 2]);
    const refused = 'recado act demo --at "Phone list.md:11" --expect "words that are not there" finish --today 2026-11-23';
    expect(shell(refused)).toMatchObject({ status: 1, stdout: expect.stringContaining('nothing was changed') as string });
    expect(shell(`${refused} --json`).status).toBe(0);
    expect(shell('recado scan nowhere')).toMatchObject({ status: 2, stdout: '' });
    expect(shell('recado scan demo --odd').stderr).toBe('There is no option --odd.\n');
    // A reader that has seen enough ends it without a word.
    expect(shell('set -o pipefail; recado scan demo | head -n 1')).toMatchObject({ status: 0, stderr: '' });
  });

  it('is completed by bash: commands, options of a command, values of an option, actions', () => {
    const offered = (...words: string[]): string[] => {
      const line = `source <(recado completion bash); COMP_WORDS=(${words.map((word) => `'${word}'`).join(' ')}); COMP_CWORD=${words.length - 1}; _recado; printf '%s\\n' "\${COMPREPLY[@]}"`;
      return shell(line).stdout.split('\n').filter(Boolean);
    };
    expect(offered('recado', 'ga')).toEqual(['gather']);
    expect(offered('recado', 'gather', 'demo', '--q')).toEqual(['--query']);
    expect(offered('recado', 'export', 'demo', '--as', 'o')).toEqual(['opml']);
    expect(offered('recado', 'act', 'demo', 'rew')).toEqual(['reword']);
    expect(offered('recado', 'help', 'dig')).toEqual(['digest']);
  });

  it.each(['zsh', 'fish'])('what %s needs is read by it, where it is here', (name) => {
    const script = shell(`recado completion ${name}`).stdout;
    for (const command of COMMANDS) expect(script).toContain(command.name);
    if (shell(`command -v ${name}`).status !== 0) return;
    writeFileSync(path.join(folder, `recado.${name}`), script);
    expect(shell(`${name} -n recado.${name}`)).toMatchObject({ status: 0, stderr: '' });
  });

  it('has a page of the manual that groff reads without a complaint, where it is here', () => {
    const page = readFileSync(path.join(folder, 'installed/lib/node_modules/recado/dist/runner/recado.1'), 'utf8');
    expect(page).toBe(manPage(version));
    // What a reader without UTF-8 cannot show is written by its number.
    expect(page).toMatch(/^[\n -~]*$/);
    if (shell('command -v groff').status !== 0) return;
    const read = shell('groff -man -Tutf8 -ww installed/lib/node_modules/recado/dist/runner/recado.1');
    expect([read.status, read.stderr]).toEqual([0, '']);
    expect(read.stdout).toMatch(/gather/);
  });

  it('does what docs/runner.md says, command by command', () => {
    const doc = readFileSync('docs/runner.md', 'utf8');
    const blocks = [...doc.matchAll(/^```sh\n([\s\S]*?)^```$/gm)].map(([, lines = '']) => lines);
    expect(blocks.length).toBeGreaterThan(4);
    const lines = blocks.flatMap((block) => block.trim().split('\n'));
    for (const line of lines) {
      const here = line.replace('npm run --silent recado --', 'recado');
      const { status, stderr } = shell(here);
      expect([line, status, stderr]).toEqual([line, 0, '']);
    }
    // What was written stands there, and nothing else changed.
    expect(readFileSync(path.join(folder, 'notes/Phone list.md'), 'utf8')).toContain('plan 2026-11-27');
    expect(readFileSync(path.join(folder, 'due.ics'), 'utf8')).toMatch(/^BEGIN:VCALENDAR/);
    for (const [code, says] of EXIT_CODES) expect(doc).toContain(`| ${code} | ${says} |`);
  });
});
