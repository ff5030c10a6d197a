import { loadPatterns } from '../src/core/gather/language/pattern';
import { loadYaml } from '../src/core/note/facts/front-matter';
import { readArguments } from './arguments';
import { Desks } from './desk';
import { HELP, printed } from './print';
import { messageOf, run } from './run';

/** Reads the command line, runs it, prints. Exit code 0, or 2 with one plain message on standard error. */
async function main(): Promise<void> {
  try {
    const given = readArguments(process.argv.slice(2));
    if (given.flags.has('help') || given.command === 'help' || given.command === '--help') {
      process.stdout.write(`${HELP}\n`);
      return;
    }
    await loadPatterns();
    await loadYaml();
    const result = await run(given, new Desks());
    // What goes out is the file itself.
    if (given.command === 'export') return void process.stdout.write(String(result));
    process.stdout.write(
      `${given.flags.has('json') || given.command === 'batch' ? JSON.stringify(result) : printed(given.command, result)}\n`,
    );
  } catch (error) {
    process.stderr.write(`${messageOf(error)}\n`);
    process.exitCode = 2;
  }
}

// A reader that has seen enough, such as `head`, closes the pipe.
process.stdout.on('error', () => process.exit(0));
void main();
