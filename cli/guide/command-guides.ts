import type { OptionName } from './options';

/** What a command of the runner is for, how it is called, and examples over the demo’s notes. */
export interface CommandGuide {
  name: string;
  /** What stands behind its name. */
  words: string;
  says: string;
  more?: string;
  /** Its own options, beside those that every command takes. */
  options: readonly OptionName[];
  examples: readonly string[];
}

/** What `act` can do: the word, and what stands behind it. */
export const ACTIONS: readonly (readonly [word: string, rest: string, says: string])[] = [
  ['finish', '', 'Done; a repeat takes its next date'],
  ['cancel', '', 'Cancelled; of a repeat this one time'],
  ['end', '', 'The series of a repeat ends'],
  ['reopen', '', 'To do again'],
  ['cycle', '', 'The next of To do, Under way, Done'],
  ['status', 'NAME', 'Any status, by its name or sign'],
  ['raise', '', 'One priority higher'],
  ['lower', '', 'One priority lower'],
  ['set', 'CLAUSE', 'A clause of the tail, as “due fri”'],
  ['unset', 'NAME', 'The clause goes'],
  ['push', 'WORDS', 'Another day, remembering the one it had'],
  ['rest', 'WORDS', 'Out of sight until a day'],
  ['tag', 'NAME', 'Bears a tag'],
  ['untag', 'NAME', 'Bears it no more'],
  ['reword', 'TEXT', 'Other words; box and tail stay'],
  ['convert', '', 'A plain line becomes a task, a task a plain line'],
  ['duplicate', '', 'Once more, below'],
  ['swap', 'NOTE:LINE', 'Two tasks take each other’s days'],
  ['echo', 'NOTE', 'A line there that shares its status'],
  ['ref', '', 'An identity to point at'],
  ['move', 'NOTE[#HEADING]', 'With what is under it, to another note'],
  ['archive', 'NOTE', 'With the headings it stood under, to an archive note'],
  ['sink', '', 'What is finished goes to the end of its list'],
  ['sweep', '', 'What is finished goes under a heading'],
  ['reset', '[keep|clear]', 'The boxes of a list are emptied for a new round'],
  ['rename', 'OLD NEW', 'A tag or person in every note; needs no --at'],
];

export const COMMANDS: readonly CommandGuide[] = [
  {
    name: 'scan',
    words: 'PATH',
    says: 'Every task of a Markdown file, or of a folder of them.',
    options: [],
    examples: ['scan "demo/Phone list.md"'],
  },
  {
    name: 'gather',
    words: 'PATH --query TEXT',
    says: 'The answer to a gather.',
    options: ['query'],
    examples: [
      'gather demo --query "open and due in this week" --today 2026-11-23',
      'gather demo --query "from notes where kind = project" --today 2026-11-23',
    ],
  },
  {
    name: 'why',
    words: 'PATH --at NOTE:LINE --query TEXT',
    says: 'Why a task is in a gather, or what keeps it out.',
    options: ['at', 'query'],
    examples: ['why demo --at "Phone list.md:11" --query late --today 2026-11-23'],
  },
  {
    name: 'act',
    words: 'PATH --at NOTE:LINE ACTION [WORDS]',
    says: 'What an action makes of the texts.',
    more: 'Each note that would change is printed whole. Where an action is refused nothing is changed, and it says why.',
    options: ['at', 'expect', 'remark', 'steps', 'dates', 'write'],
    examples: ['act demo --at "Phone list.md:11" push friday --today 2026-11-23', 'act demo rename "#loans" lending'],
  },
  {
    name: 'find',
    words: 'PATH WORDS',
    says: 'Notes and tasks by words and conditions, as in Find.',
    options: ['tasks', 'open'],
    examples: ['find demo crate --today 2026-11-23'],
  },
  {
    name: 'links',
    words: 'PATH --at NOTE',
    says: 'Lines elsewhere that lead to a note, and those that only say its name.',
    options: ['at'],
    examples: ['links demo --at "Exhibitions/Salt on the Glass"'],
  },
  {
    name: 'day',
    words: 'PATH',
    says: 'Everything of a day: tasks, appointments, meetings.',
    options: [],
    examples: ['day demo --today 2026-11-23'],
  },
  {
    name: 'fit',
    words: 'PATH',
    says: 'What cannot be done until its due day, and what each day has to give.',
    options: [],
    examples: ['fit demo --today 2026-11-23'],
  },
  {
    name: 'carry',
    words: 'PATH',
    says: 'What earlier days left open.',
    options: [],
    examples: ['carry demo --today 2026-11-23'],
  },
  {
    name: 'kept',
    words: 'PATH',
    says: 'What was planned for each day, and how much of it was kept.',
    options: ['from', 'to'],
    examples: ['kept demo --from 2026-11-16 --to 2026-11-20 --today 2026-11-23'],
  },
  {
    name: 'repeats',
    words: 'PATH',
    says: 'How often each repeat was planned, and kept.',
    options: ['from', 'to'],
    examples: ['repeats demo --from 2026-11-01 --to 2026-11-23 --today 2026-11-23'],
  },
  {
    name: 'projects',
    words: 'PATH',
    says: 'How each project stands, and its next step.',
    options: [],
    examples: ['projects demo --today 2026-11-23'],
  },
  {
    name: 'meetings',
    words: 'PATH',
    says: 'Every meeting, with its actions, key points and questions.',
    options: [],
    examples: ['meetings demo --today 2026-11-23'],
  },
  {
    name: 'digest',
    words: 'PATH --at NOTE',
    says: 'The short account of a meeting.',
    options: ['at'],
    examples: ['digest demo --at "Meetings/Registrar meeting.md"'],
  },
  {
    name: 'reviews',
    words: 'PATH',
    says: 'Every review, and how long it took.',
    options: [],
    examples: ['reviews demo'],
  },
  {
    name: 'archive',
    words: 'PATH --query TEXT',
    says: 'What is finished of a gather goes to its archive note.',
    options: ['query', 'to', 'write'],
    examples: ['archive demo --query "done < today - 2 days" --today 2026-11-23'],
  },
  {
    name: 'slip',
    words: 'WORDS',
    says: 'The line that words come to, and where it lands.',
    options: ['in', 'write'],
    examples: ['slip "call lars about crate height tomorrow 15:00 high" --today 2026-11-23'],
  },
  {
    name: 'template',
    words: 'PATH --at NOTE',
    says: 'What a template comes to.',
    options: ['at', 'name', 'answers'],
    examples: ['template demo --at "Templates/Meeting.md" --today 2026-11-23 --name "Hanging plan"'],
  },
  {
    name: 'date',
    words: 'WORDS',
    says: 'What is understood as a date.',
    options: [],
    examples: ['date "in two weeks" --today 2026-11-23'],
  },
  {
    name: 'next',
    words: 'REPEAT',
    says: 'The next dates of a repeat, and its rule by RFC 5545.',
    options: ['from', 'done', 'count'],
    examples: ['next "every month on last fri" --from 2026-11-23 --count 3'],
  },
  {
    name: 'export',
    words: 'PATH --as FORMAT',
    says: 'A file of another format, on standard output.',
    more: 'Every task, closed and resting ones too, unless a query asks for some.',
    options: ['as', 'query', 'at'],
    examples: ['export demo --as opml --at "Phone list.md" --today 2026-11-23'],
  },
  {
    name: 'import',
    words: 'FILE --as FORMAT',
    says: 'The notes that a file of another format comes to.',
    options: ['as', 'map'],
    examples: [],
  },
  {
    name: 'batch',
    words: 'FILE',
    says: 'Several commands, one after the other: a JSON list, each of them a list of words.',
    more: 'The answers are a JSON list in the same order; of one that fails, {"error": "…"}.',
    options: [],
    examples: [],
  },
  {
    name: 'completion',
    words: 'SHELL',
    says: 'What a shell needs to complete commands and options: bash, zsh or fish.',
    options: [],
    examples: ['completion bash'],
  },
  {
    name: 'man',
    words: '',
    says: 'The page of the manual, as man reads it.',
    options: [],
    examples: ['man'],
  },
  {
    name: 'help',
    words: '[COMMAND]',
    says: 'What a command is for, its options and examples.',
    options: [],
    examples: ['help gather'],
  },
];

export const commandGuide = (name: string): CommandGuide | null => COMMANDS.find((one) => one.name === name) ?? null;

/** What the exit codes mean; `act` alone gives 1. */
export const EXIT_CODES: readonly (readonly [code: number, says: string])[] = [
  [0, 'It was done. With --json also where an action was refused: the answer says so.'],
  [1, 'An action was refused, and nothing was changed.'],
  [2, 'The command was not understood, or something could not be read or written; one sentence on standard error says what.'],
];
