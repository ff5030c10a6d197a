import { version } from '../package.json';
import { loadPatterns } from '../src/core/gather/language/pattern';
import { loadYaml } from '../src/core/note/facts/front-matter';
import { type Arguments, readArguments } from './arguments';
import type { ActAnswer } from './commands/act';
import { Desks } from './desk';
import { guided } from './guide/guided';
import { printed } from './print';
import { messageOf, run } from './run';

/** Reads the command line, runs it, prints. What the exit codes mean stands in `guide/command-guides.ts`. */
async function main(): Promise<void> {
  try {
    const list = process.argv.slice(2);
    const given = readArguments(list);
    const guide = guided(given, version);
    if (guide !== null) return void process.stdout.write(guide);
    await loadPatterns();
    await loadYaml();
    const result = await run(given, new Desks());
    // What goes out is the file itself.
    if (given.command === 'export') return void process.stdout.write(String(result));
    const asJson = given.flags.has('json') || given.command === 'batch';
    process.stdout.write(`${asJson ? JSON.stringify(result) : printed(given.command, result)}\n`);
    if (!asJson && isRefused(given, result)) process.exitCode = 1;
  } catch (error) {
    process.stderr.write(`${messageOf(error)}\n`);
    process.exitCode = 2;
  }
}

const isRefused = ({ command }: Arguments, result: unknown): boolean => command === 'act' && (result as ActAnswer).refused !== null;

// A reader that has seen enough, such as `head`, closes the pipe.
process.stdout.on('error', () => process.exit(0));
void main();
