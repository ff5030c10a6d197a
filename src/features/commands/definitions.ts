/** Where a command works: anywhere, on the page of a note, on the focused row of a list, or in the text of a note. */
export type Scope = 'everywhere' | 'note' | 'list' | 'text';

/** What a command is called and by which key it runs; what it does is told where it works. */
export interface CommandDefinition {
  id: string;
  title: string;
  /** Such as `Mod+k` or `F8`; null for none. `Mod` is Ctrl, on a Mac ⌘. */
  key: string | null;
  scope: Scope;
}

/** Every command of the application. No key that browsers keep, and none that types a letter or an accent. */
export const COMMANDS = [
  { id: 'menu', title: 'Show all commands and notes', key: 'Mod+k', scope: 'everywhere' },
  { id: 'slip', title: 'Fill in a slip', key: 'F10', scope: 'everywhere' },
  { id: 'find', title: 'Find notes and tasks', key: 'Shift+F9', scope: 'everywhere' },
  { id: 'undo', title: 'Undo the last action', key: 'Mod+z', scope: 'everywhere' },
  { id: 'redo', title: 'Do again what was undone', key: 'Mod+y', scope: 'everywhere' },
  { id: 'back', title: 'Back to the place before', key: 'Mod+F12', scope: 'everywhere' },
  { id: 'forth', title: 'Forth again', key: 'Mod+Shift+F12', scope: 'everywhere' },
  { id: 'last-written', title: 'To where something was written last', key: 'Mod+Shift+F8', scope: 'everywhere' },
  { id: 'journal', title: 'Go to today’s journal page', key: 'F2', scope: 'everywhere' },
  { id: 'today', title: 'Go to the agenda page Today', key: 'F4', scope: 'everywhere' },
  { id: 'begin', title: 'Begin what comes now or next', key: 'Mod+F7', scope: 'everywhere' },
  { id: 'finish', title: 'Done with what is in hand', key: 'Mod+Shift+F7', scope: 'everywhere' },
  { id: 'plan-day', title: 'Plan the day', key: 'Mod+Shift+F2', scope: 'everywhere' },
  { id: 'new-review', title: 'Review: begin one, or go on with it', key: 'Alt+Shift+F2', scope: 'everywhere' },
  { id: 'brainstorm', title: 'Five minutes of brainstorm', key: null, scope: 'everywhere' },
  { id: 'week-hours', title: 'The week by its hours', key: null, scope: 'everywhere' },
  { id: 'carry', title: 'Carry forward what earlier days left open', key: 'Shift+F4', scope: 'everywhere' },
  { id: 'day-before', title: 'Journal page of the day before', key: 'Mod+F2', scope: 'everywhere' },
  { id: 'day-after', title: 'Journal page of the day after', key: 'Shift+F2', scope: 'everywhere' },
  { id: 'days', title: 'All days as one long scroll', key: null, scope: 'everywhere' },
  { id: 'month', title: 'Month of journal pages', key: null, scope: 'everywhere' },
  { id: 'page', title: 'Put the cursor into the page', key: 'F6', scope: 'everywhere' },
  { id: 'rack', title: 'Show or hide the rack', key: 'F8', scope: 'everywhere' },
  { id: 'beside', title: 'Show or hide the beside panel', key: 'F9', scope: 'everywhere' },
  { id: 'this-note', title: 'Show this note’s tasks beside it', key: null, scope: 'everywhere' },
  { id: 'outline', title: 'Show the outline beside the note', key: null, scope: 'everywhere' },
  { id: 'leads', title: 'Show what leads to this note beside it', key: 'Mod+Shift+F9', scope: 'everywhere' },
  { id: 'hours', title: 'Show the hours of the day beside the page', key: null, scope: 'everywhere' },
  { id: 'why', title: 'Show why tasks stand in a list', key: null, scope: 'everywhere' },
  { id: 'side-1', title: 'Look at the first side, or at all', key: 'Mod+Shift+1', scope: 'everywhere' },
  { id: 'side-2', title: 'Look at the second side, or at all', key: 'Mod+Shift+2', scope: 'everywhere' },
  { id: 'side-3', title: 'Look at the third side, or at all', key: 'Mod+Shift+3', scope: 'everywhere' },
  { id: 'side-4', title: 'Look at the fourth side, or at all', key: 'Mod+Shift+4', scope: 'everywhere' },
  { id: 'empty-note', title: 'New empty note; its first line becomes its title', key: 'Mod+F6', scope: 'everywhere' },
  { id: 'new-meeting', title: 'New meeting, with whom or about what the page shows', key: 'Mod+Shift+F11', scope: 'everywhere' },
  { id: 'new-note', title: 'New note with a title, a folder or a template', key: null, scope: 'everywhere' },
  { id: 'files', title: 'Files: bring in, take everything out', key: null, scope: 'everywhere' },
  { id: 'lent', title: 'Lent out', key: null, scope: 'everywhere' },
  { id: 'seal-open', title: 'Open a seal', key: null, scope: 'everywhere' },
  { id: 'seal-close', title: 'Close all seals', key: 'Alt+Shift+F8', scope: 'everywhere' },
  { id: 'outside', title: 'Outside lists', key: null, scope: 'everywhere' },
  { id: 'outside-look', title: 'Bring outside lists in step now', key: null, scope: 'everywhere' },
  { id: 'import', title: 'Bring in files', key: null, scope: 'everywhere' },
  { id: 'keep', title: 'Copies, deleted notes, and what is kept', key: null, scope: 'everywhere' },
  { id: 'ask', title: 'Ask by pointing: a new agenda page', key: null, scope: 'everywhere' },
  { id: 'help', title: 'Help', key: 'Shift+F1', scope: 'everywhere' },
  { id: 'settings', title: 'Settings', key: null, scope: 'everywhere' },
  { id: 'keys', title: 'Keys of all commands', key: null, scope: 'everywhere' },
  { id: 'stored-text', title: 'Show the stored text of the page, and back', key: 'Alt+Shift+End', scope: 'everywhere' },
  { id: 'print', title: 'Print this page', key: null, scope: 'everywhere' },

  { id: 'note-title', title: 'Rename the note', key: null, scope: 'note' },
  { id: 'note-as-tasks', title: 'Turn the note to its tasks alone, and back', key: 'Alt+Shift+Home', scope: 'note' },
  { id: 'note-stay', title: 'Finished lines stay where they are', key: null, scope: 'note' },
  { id: 'note-sink', title: 'Finished lines go to the end of their list', key: null, scope: 'note' },
  { id: 'note-hide', title: 'Finished lines are out of sight', key: null, scope: 'note' },
  { id: 'note-finished', title: 'Show or hide the finished lines', key: 'Shift+F8', scope: 'note' },
  { id: 'note-clear-foot', title: 'Clear finished lines: under a heading at the foot', key: null, scope: 'note' },
  { id: 'note-clear-archive', title: 'Clear finished lines: to the archive', key: null, scope: 'note' },
  { id: 'note-clear-away', title: 'Clear finished lines: away', key: null, scope: 'note' },
  { id: 'note-archive', title: 'Archive the note whole, or bring it back', key: null, scope: 'note' },
  { id: 'note-again', title: 'Untick the lists of the note for a new round', key: null, scope: 'note' },
  { id: 'note-move', title: 'Move the note to a folder', key: null, scope: 'note' },
  { id: 'note-take-out', title: 'Take the note out: as a file, or to the clipboard', key: null, scope: 'note' },
  { id: 'note-lend', title: 'Lend the note to others', key: null, scope: 'note' },
  { id: 'note-seal', title: 'Seal the note, or take it out of its seal', key: null, scope: 'note' },
  { id: 'note-earlier', title: 'Earlier texts of the note', key: null, scope: 'note' },
  { id: 'note-delete', title: 'Delete the note', key: null, scope: 'note' },

  { id: 'row-details', title: 'Details of the task', key: 'Enter', scope: 'list' },
  { id: 'row-open', title: 'Open at its line', key: 'Mod+Enter', scope: 'list' },
  { id: 'row-card', title: 'Show what the row leads to', key: 'Alt+Shift+PageUp', scope: 'list' },
  { id: 'row-done-remark', title: 'Done, with a word', key: 'Mod+Shift+.', scope: 'list' },
  { id: 'row-cancel-remark', title: 'Cancel with a remark', key: null, scope: 'list' },
  { id: 'row-cycle', title: 'Next status', key: 'Mod+Shift+Enter', scope: 'list' },
  { id: 'row-plan', title: 'Plan for another day', key: 'Mod+.', scope: 'list' },
  { id: 'row-due', title: 'Due on another day', key: 'Mod+,', scope: 'list' },
  { id: 'row-rest', title: 'Rest until another day', key: null, scope: 'list' },
  { id: 'row-today', title: 'To today', key: 'Mod+ArrowLeft', scope: 'list' },
  { id: 'row-tomorrow', title: 'To tomorrow', key: 'Mod+ArrowRight', scope: 'list' },
  { id: 'row-raise', title: 'Priority up', key: 'Mod+ArrowUp', scope: 'list' },
  { id: 'row-lower', title: 'Priority down', key: 'Mod+ArrowDown', scope: 'list' },
  { id: 'row-move', title: 'Move to another note', key: 'Mod+m', scope: 'list' },
  { id: 'row-archive', title: 'Archive', key: null, scope: 'list' },
  { id: 'row-lend', title: 'Lend the task with its steps', key: null, scope: 'list' },
  { id: 'row-onto', title: 'Join with an outside list, or send on', key: 'Mod+Shift+ArrowUp', scope: 'list' },
  { id: 'row-copy-out', title: 'Copy for another list, and mark as sent', key: 'Mod+Shift+ArrowDown', scope: 'list' },
  { id: 'row-take-back', title: 'Take back what was sent on', key: 'Mod+Shift+ArrowLeft', scope: 'list' },
  { id: 'row-names', title: 'Tags, people, links, owner', key: 'Mod+Shift+m', scope: 'list' },
  { id: 'row-to-raise', title: 'Raise with who is named, or with somebody', key: 'Mod+Shift+F4', scope: 'list' },
  { id: 'row-not-now', title: 'Not now, or take it up again', key: 'Mod+Shift+ArrowRight', scope: 'list' },
  { id: 'row-select', title: 'Select or leave out', key: 'Mod+Space', scope: 'list' },
  { id: 'row-select-all', title: 'Select the whole list', key: 'Mod+a', scope: 'list' },
  { id: 'row-through', title: 'Go through the list, one after the other', key: null, scope: 'list' },
  { id: 'row-delete', title: 'Delete the task', key: 'Delete', scope: 'list' },

  { id: 'text-tick', title: 'Tick the task', key: 'Mod+Enter', scope: 'text' },
  { id: 'text-done-remark', title: 'Done, with a word', key: null, scope: 'text' },
  { id: 'text-cancel-remark', title: 'Cancel with a remark', key: null, scope: 'text' },
  { id: 'text-task', title: 'Make tasks of the lines, or plain lines again', key: 'Mod+Shift+Enter', scope: 'text' },
  { id: 'text-cycle', title: 'Next status', key: 'Alt+Enter', scope: 'text' },
  { id: 'text-key', title: 'Mark the line as a key point', key: 'Mod+Shift+F1', scope: 'text' },
  { id: 'text-give', title: 'A task of who is named on the line', key: 'Mod+Alt+Enter', scope: 'text' },
  { id: 'text-meeting', title: 'Make a meeting of the appointment', key: null, scope: 'text' },
  { id: 'text-to-raise', title: 'Put the line on what is to be raised with somebody', key: 'Mod+Shift+F4', scope: 'text' },
  { id: 'text-not-now', title: 'Not now, or take it up again', key: 'Alt+Shift+F9', scope: 'text' },
  { id: 'text-question', title: 'An open question', key: 'Mod+Shift+F3', scope: 'text' },
  { id: 'text-raise', title: 'Priority up', key: 'Alt+PageUp', scope: 'text' },
  { id: 'text-lower', title: 'Priority down', key: 'Alt+PageDown', scope: 'text' },
  { id: 'text-tail', title: 'Dates and other clauses of the task', key: 'Mod+.', scope: 'text' },
  { id: 'text-take', title: 'Store the dates and more that the words say', key: 'Mod+Shift+k', scope: 'text' },
  { id: 'text-details', title: 'Details of the task', key: 'Mod+,', scope: 'text' },
  { id: 'text-names', title: 'Tags, people, links, owner of the tasks', key: 'Mod+Shift+m', scope: 'text' },
  { id: 'text-lend', title: 'Lend the item or section at the cursor', key: null, scope: 'text' },
  { id: 'text-onto', title: 'Join the tasks with an outside list, or send them on', key: null, scope: 'text' },
  { id: 'text-in', title: 'Indent the item', key: 'Tab', scope: 'text' },
  { id: 'text-out', title: 'Outdent the item', key: 'Shift+Tab', scope: 'text' },
  { id: 'text-up', title: 'Move the item up', key: 'Alt+ArrowUp', scope: 'text' },
  { id: 'text-down', title: 'Move the item down', key: 'Alt+ArrowDown', scope: 'text' },
  { id: 'text-duplicate', title: 'Duplicate the item', key: 'Alt+Shift+PageDown', scope: 'text' },
  { id: 'text-delete', title: 'Delete the item', key: 'Alt+Shift+Backspace', scope: 'text' },
  { id: 'text-fold', title: 'Fold or unfold', key: 'Mod+Shift+f', scope: 'text' },
  { id: 'text-fold-branch', title: 'Fold or unfold each level of the branch', key: null, scope: 'text' },
  { id: 'text-fold-all', title: 'Fold everything', key: null, scope: 'text' },
  { id: 'text-fold-level-1', title: 'Show the first level of the outline', key: null, scope: 'text' },
  { id: 'text-fold-level-2', title: 'Show two levels of the outline', key: null, scope: 'text' },
  { id: 'text-fold-level-3', title: 'Show three levels of the outline', key: null, scope: 'text' },
  { id: 'text-unfold-all', title: 'Unfold everything', key: null, scope: 'text' },
  { id: 'text-close-up', title: 'Close-up of the item or heading', key: 'Mod+Shift+e', scope: 'text' },
  { id: 'text-wider', title: 'One level out of the close-up', key: 'Mod+Shift+y', scope: 'text' },
  { id: 'text-take-out', title: 'Take the item or section out: as a file, or to the clipboard', key: null, scope: 'text' },
  { id: 'text-find', title: 'Find and replace in the note', key: 'Mod+f', scope: 'text' },
  { id: 'text-follow', title: 'Go where the name or link at the cursor leads', key: 'Alt+Shift+Enter', scope: 'text' },
  { id: 'text-card', title: 'Show what the name or link at the cursor leads to', key: 'Alt+Shift+PageUp', scope: 'text' },
  { id: 'text-bold', title: 'Bold', key: 'Mod+b', scope: 'text' },
  { id: 'text-italic', title: 'Italic', key: 'Mod+i', scope: 'text' },
  { id: 'text-strike', title: 'Struck through', key: 'Mod+Shift+x', scope: 'text' },
  { id: 'text-code', title: 'Code', key: 'Mod+e', scope: 'text' },
  { id: 'text-heading', title: 'Heading, or its next level', key: 'Mod+Shift+h', scope: 'text' },
  { id: 'text-note', title: 'New note from the selected words, linked', key: 'Mod+Shift+F6', scope: 'text' },
  { id: 'text-insert', title: 'Insert…', key: 'Mod+Shift+l', scope: 'text' },
  { id: 'text-repair', title: 'Repair what is wrong with the line', key: 'Mod+Shift+.', scope: 'text' },
] as const satisfies readonly CommandDefinition[];

export type CommandId = (typeof COMMANDS)[number]['id'];

/** The commands that work in one place: a table over them that lacks one does not compile. */
export type IdIn<Where extends Scope> = Extract<(typeof COMMANDS)[number], { scope: Where }>['id'];

/** What a text does by command: its own, and Undo and Redo, which there are the text's. */
export type TextCommandId = IdIn<'text'> | 'undo' | 'redo';

/** Keys that browsers keep for themselves, so that a page never sees them or takes something away. */
const KEPT = new Set(
  [
    'Mod+t Mod+n Mod+w Mod+q Mod+l Mod+r Mod+p Mod+s Mod+d Mod+h Mod+j Mod+o Mod+u Mod+Tab Mod+Shift+Tab',
    'Mod+Shift+t Mod+Shift+n Mod+Shift+w Mod+Shift+i Mod+Shift+j Mod+Shift+c Mod+Shift+b Mod+Shift+r Mod+Shift+Delete',
    'Mod+1 Mod+2 Mod+3 Mod+4 Mod+5 Mod+6 Mod+7 Mod+8 Mod+9 Mod+0 Mod++ Mod+- F1 F3 F5 F7 F11 F12 Alt+ArrowLeft Alt+ArrowRight Alt+F4 Alt+Home',
  ].flatMap((keys) => keys.split(' ')),
);

export const isKept = (key: string): boolean => KEPT.has(key);

/** The key of each command: the one a person gave it, else its own. */
export function keysOf(given: Readonly<Record<string, string>>): ReadonlyMap<string, string | null> {
  return new Map(COMMANDS.map(({ id, key }) => [id, given[id] === undefined ? key : given[id] || null]));
}

/** The other commands that a key would also run: those of the same scope, and where one of the two is heard around the other. */
export function conflictsOf(id: string, key: string | null, keys: ReadonlyMap<string, string | null>): CommandDefinition[] {
  const own = COMMANDS.find((command) => command.id === id);
  if (key === null || !own) return [];
  return COMMANDS.filter(
    (other) => other.id !== id && keys.get(other.id) === key && (other.scope === own.scope || isWide(other) || isWide(own)),
  );
}

/** Whether a command is heard around texts and lists. */
const isWide = ({ scope }: CommandDefinition): boolean => scope === 'everywhere' || scope === 'note';
