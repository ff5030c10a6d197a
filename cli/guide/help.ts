import { ACTIONS, COMMANDS, type CommandGuide, EXIT_CODES } from './command-guides';
import { EVERYWHERE, type OptionName, guideOf } from './options';

/** What `recado --help` prints. */
export function helpOfAll(): string {
  const width = Math.max(...COMMANDS.map(({ name }) => name.length));
  return [
    'recado COMMAND [OPTIONS]',
    '',
    'Tasks in folders of Markdown, as Recado reads them.',
    '',
    ...COMMANDS.map(({ name, says }) => `  ${name.padEnd(width)}  ${says}`),
    '',
    'Options of every command:',
    ...optionLines(EVERYWHERE),
    '',
    'recado help COMMAND says more of one, with examples. What follows -- is words, whatever it looks like.',
    '',
    'Exit codes:',
    ...EXIT_CODES.map(([code, says]) => `  ${code}  ${says}`),
  ].join('\n');
}

/** What `recado help COMMAND` prints. */
export function helpOf({ name, words, says, more, options, examples }: CommandGuide): string {
  return [
    `recado ${name}${words === '' ? '' : ` ${words}`}`,
    '',
    says,
    ...(more === undefined ? [] : [more]),
    ...(name === 'act' ? ['', 'Actions:', ...actionLines()] : []),
    ...(options.length === 0 ? [] : ['', 'Options:', ...optionLines(options)]),
    ...(examples.length === 0 ? [] : ['', 'Examples:', ...examples.map((one) => `  recado ${one}`)]),
  ].join('\n');
}

const spelled = (name: OptionName): string => {
  const { value } = guideOf(name);
  return value === null ? `--${name}` : `--${name} ${value}`;
};

function optionLines(names: readonly OptionName[]): string[] {
  const width = Math.max(...names.map((name) => spelled(name).length));
  return names.map((name) => {
    const { says, among } = guideOf(name);
    return `  ${spelled(name).padEnd(width)}  ${says}${among ? ` One of ${among.join(', ')}.` : ''}`;
  });
}

function actionLines(): string[] {
  const width = Math.max(...ACTIONS.map(([word, rest]) => word.length + rest.length + 1));
  return ACTIONS.map(([word, rest, says]) => `  ${`${word} ${rest}`.trimEnd().padEnd(width)}  ${says}`);
}
