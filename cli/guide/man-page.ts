import { ACTIONS, COMMANDS, EXIT_CODES } from './command-guides';
import { EVERYWHERE, type OptionName, guideOf } from './options';

/** The page of the manual in the man macros (groff_man(7)). */
export function manPage(version: string): string {
  return `${[
    `.TH RECADO 1 "" "Recado ${version}" "User Commands"`,
    '.SH NAME',
    'recado \\- tasks in folders of Markdown',
    '.SH SYNOPSIS',
    '.B recado',
    '.I COMMAND',
    '.RI [ OPTIONS ]',
    '.SH DESCRIPTION',
    'Reads checkbox tasks from Markdown files, gathers them by conditions, and changes the one line that is meant. It reads and writes as the application Recado does, and needs none of it.',
    'Nothing is written unless',
    '.B \\-\\-write',
    'is said.',
    '.SH COMMANDS',
    ...COMMANDS.flatMap(({ name, words, says, more, options }) => [
      '.TP',
      `.B ${text(`${name}${words === '' ? '' : ` ${words}`}`)}`,
      text(says + (more === undefined ? '' : ` ${more}`)),
      ...(options.length === 0 ? [] : [`Options: ${options.map((one) => text(`--${one}`)).join(', ')}.`]),
    ]),
    '.SH ACTIONS',
    ...ACTIONS.flatMap(([word, rest, says]) => ['.TP', `.B ${text(`${word} ${rest}`.trimEnd())}`, text(`${says}.`)]),
    '.SH OPTIONS',
    ...optionNames().flatMap((name) => {
      const { value, says, among } = guideOf(name);
      return [
        '.TP',
        `.B ${text(`--${name}${value === null ? '' : ` ${value}`}`)}`,
        text(`${says}${among ? ` One of ${among.join(', ')}.` : ''}`),
      ];
    }),
    '.SH EXIT STATUS',
    ...EXIT_CODES.flatMap(([code, says]) => ['.TP', `.B ${code}`, text(says)]),
    '.SH EXAMPLES',
    ...COMMANDS.flatMap(({ says, examples }) =>
      examples.slice(0, 1).flatMap((one) => ['.PP', text(says), '.PP', '.nf', `.RS`, text(`recado ${one}`), '.RE', '.fi']),
    ),
  ].join('\n')}\n`;
}

const optionNames = (): OptionName[] => [...new Set([...EVERYWHERE, ...COMMANDS.flatMap(({ options }) => options)])];

/** Words as roff reads them: dashes that can be copied, and no line that begins a request. */
const text = (words: string): string =>
  words
    .replace(/\\/g, '\\e')
    .replace(/-/g, '\\-')
    .replace(/^[.']/, '\\&$&')
    // Other signs by their number: what reads the page may not know UTF-8 (groff_char(7)).
    .replace(/[^ -~]/gu, (sign) => `\\[u${sign.codePointAt(0)?.toString(16).toUpperCase().padStart(4, '0') ?? ''}]`);
