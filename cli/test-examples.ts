import { COMMANDS } from './guide/command-guides';

/** What the runner says of itself is no command of a batch. */
const SAY_OF_ITSELF: ReadonlySet<string> = new Set(['completion', 'man', 'help']);

/** The examples of the help, for tests: each as the words into which a shell splits it. */
export const exampleWords = (): string[][] =>
  COMMANDS.filter(({ name }) => !SAY_OF_ITSELF.has(name))
    .flatMap(({ examples }) => examples)
    .map((example) => [...example.matchAll(/"([^"]*)"|(\S+)/g)].map(([, quoted, plain]) => quoted ?? plain ?? ''));
