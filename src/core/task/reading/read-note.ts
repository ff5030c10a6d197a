import type { Day } from '../../calendar/day';
import { EachOnce } from '../../note/facts/each-once';
import type { NoteKind } from '../../note/facts/front-matter';
import { type NoteFrame, readFrame } from '../../note/facts/note-frame';
import { hasMark } from '../../note/blocks/lines';
import { type LineNames, type Link, NAMELESS, readNames } from '../../note/names/names';
import { NameSigns } from '../../note/names/name-signs';
import { baseNameOf, dayOfTitle } from '../../note/names/path';
import { type Heading, type Item, LineKind } from '../../note/blocks/structure';
import { clauseOf, readTail } from '../line/tail';
import { READING_DEFAULTS, type ReadingSettings, Task, readTaskAt } from '../line/task';
import { type Around, targetsOf, without } from '../line/task-line';

/** A note as it was read: everything that is computed from its text alone. */
export interface ReadNote extends NoteFrame {
  path: string;
  title: string;
  kind: NoteKind;
  /** The day of a journal page; null for other notes. */
  journal: Day | null;
  tasks: Task[];
  /** List items, tasks or not, whose tail says key. */
  keyPoints: KeyPoint[];
  /** Every link of the note, with its line. */
  links: Link[];
  /** Tags and people named anywhere in the note, as written. */
  tags: string[];
  people: string[];
}

/** An item that is worth gathering, whether or not it is a task. */
export interface KeyPoint {
  /** From 0. */
  line: number;
  /** What it says and inherits, read as of a task; `task` says whether it is one. */
  said: Task;
  /** Its place among the note's tasks; -1 when it is none. */
  task: number;
}

const NONE: readonly never[] = [];

/** Lines of notes of these kinds are no tasks. */
const WITHOUT_TASKS: ReadonlySet<NoteKind> = new Set(['template', 'slip', 'status']);

/**
 * Reads a note: front matter, structure, tasks with what they inherit, gather blocks, links and names.
 *
 * @param path its path, which gives the title when the text does not
 */
export function readNote(path: string, text: string, settings: ReadingSettings = READING_DEFAULTS): ReadNote {
  const frame = readFrame(text);
  const { front } = frame;
  const title = front.title ?? baseNameOf(path);
  const titleDay = dayOfTitle(title);
  const kind = front.kind ?? (titleDay === null ? 'note' : 'journal');
  const note: ReadNote = {
    path,
    title,
    kind,
    journal: kind === 'journal' ? (front.date ?? titleDay) : null,
    ...frame,
    tasks: [],
    keyPoints: [],
    links: [],
    tags: [],
    people: [],
  };
  readLines(note, settings);
  return note;
}

function readLines(note: ReadNote, settings: ReadingSettings): void {
  const { lines, structure, front } = note;
  const { text, starts, ends } = lines;
  const { items, headings, kinds } = structure;
  const names = new Names(front.tags, front.people);
  const signs = new NameSigns(text);
  const trail = new HeadingTrail({ tags: front.tags, people: NONE, links: front.about, headings: NONE });
  const withTasks = !WITHOUT_TASKS.has(note.kind);
  /** For each item what it hands down, and the nearest task at or around it; null for a task of which that was not asked yet. */
  const arounds = new Array<Around | null>(items.length);
  const tasks = new Array<number>(items.length);
  const handedDown = (item: number): Around => (arounds[item] ??= handedDownBy(note.tasks[tasks[item] as number] as Task));
  let nextItem = 0;
  let nextHeading = 0;
  let itemLine = items[0]?.line ?? -1;
  let headingLine = headings[0]?.line ?? -1;
  for (let line = front.lineCount; line < kinds.length; line++) {
    const kind = kinds[line];
    const beginsItem = itemLine === line;
    if (kind !== LineKind.text && kind !== LineKind.heading && !beginsItem) continue;
    const from = (starts[line] as number) + (line === 0 && hasMark(lines, 0) ? 1 : 0);
    const to = ends[line] as number;
    const mayName = signs.from(from) < to;
    if (!beginsItem) {
      if (!mayName && headingLine !== line) continue;
      const named = mayName ? readNames(text, from, to, from, signs) : NAMELESS;
      names.add(note, named, line);
      const heading = headings[nextHeading];
      if (headingLine !== line || !heading) continue;
      headingLine = headings[++nextHeading]?.line ?? -1;
      if (heading.topLevel) trail.enter(heading, named);
      continue;
    }
    for (; itemLine === line; itemLine = items[++nextItem]?.line ?? -1) {
      const item = items[nextItem] as Item;
      const { parent, wordsFrom } = item;
      // Asking an array for its element -1 is many times dearer than the comparison.
      const outer = parent === -1 ? trail.around : handedDown(parent);
      const outerTask = parent === -1 ? -1 : (tasks[parent] as number);
      const task = withTasks && wordsFrom >= 0 ? readTaskAt(text, from, to, wordsFrom, settings, mayName ? signs : 'nameless') : null;
      if (task) {
        tasks[nextItem] = note.tasks.length;
        arounds[nextItem] = takeTask(note, names, task, nextItem, item, outer, outerTask);
        continue;
      }
      tasks[nextItem] = outerTask;
      arounds[nextItem] = wordsFrom < 0 ? outer : takeItem(note, names, text.slice(from, to), item, outer, mayName, withTasks);
    }
    if (headingLine === line) headingLine = headings[++nextHeading]?.line ?? -1;
  }
  note.tags = names.tags.all;
  note.people = names.people.all;
}

/** Puts a task into its note; gives what it hands down, null when it adds something to that. */
function takeTask(note: ReadNote, names: Names, task: Task, index: number, item: Item, outer: Around, outerTask: number): Around | null {
  task.line = item.line;
  task.item = index;
  task.markerFrom = item.markerFrom;
  task.depth = item.depth;
  task.parent = outerTask;
  task.around = outer;
  const place = note.tasks.push(task) - 1;
  const { tags, people, links, owner, asked } = task;
  if (owner !== null && owner !== 'nobody') names.people.add(owner);
  if (asked !== null) names.people.add(asked);
  if (task.key) note.keyPoints.push({ line: item.line, said: task, task: place });
  if (tags.length === 0 && people.length === 0 && links.length === 0) return outer;
  names.add(note, task, item.line);
  return null;
}

const handedDownBy = (task: Task): Around => withNames(task.around, task);

/** Takes the names and the key point of an item that is no task; gives what it hands down. */
function takeItem(note: ReadNote, names: Names, words: string, item: Item, outer: Around, mayName: boolean, withTasks: boolean): Around {
  const { wordsFrom, line } = item;
  const named = mayName ? readNames(words, wordsFrom, wordsEnd(words, wordsFrom), 0, null) : NAMELESS;
  if (withTasks && words.endsWith('}')) addKeyPoint(note, words, item, named, outer);
  names.add(note, named, line);
  return withNames(outer, named);
}

/** Where the words of an item end: before its tail. */
function wordsEnd(words: string, from: number): number {
  return words.endsWith('}') ? (readTail(words, from)?.from ?? words.length) : words.length;
}

/** A list item that is no task and bears the clause `key`. */
function addKeyPoint(note: ReadNote, words: string, item: Item, { tags, people, links }: LineNames, outer: Around): void {
  const tail = readTail(words, item.wordsFrom);
  if (!clauseOf(tail, 'key')) return;
  // Its words begin where those of a task would begin behind a box without a sign.
  const said = new Task(words, 0, words.length, item.wordsFrom - 2, '', 'todo');
  said.tailFrom = tail?.from ?? words.length;
  said.tags = tags;
  said.people = people;
  said.links = links;
  said.line = item.line;
  said.markerFrom = item.markerFrom;
  said.depth = item.depth;
  said.around = outer;
  note.keyPoints.push({ line: item.line, said, task: -1 });
}

function addLinks(note: ReadNote, links: readonly Link[], line: number): void {
  for (const link of links) {
    link.line = line;
    note.links.push(link);
  }
}

/** The tags and people that a note names, each as it was written first. */
class Names {
  readonly tags: EachOnce;
  readonly people: EachOnce;

  constructor(tags: readonly string[], people: readonly string[]) {
    this.tags = new EachOnce(tags);
    this.people = new EachOnce(people);
  }

  add(note: ReadNote, { tags, people, links }: LineNames, line: number): void {
    for (const tag of tags) this.tags.add(tag);
    for (const person of people) this.people.add(person);
    addLinks(note, links, line);
  }
}

/** What stands around, and behind it what a line adds. The same list when it adds nothing. */
function joined(outer: readonly string[], own: readonly string[]): readonly string[] {
  if (own.length === 0) return outer;
  return outer.length === 0 ? own : [...without(outer, own), ...own];
}

/** What a place hands down with what a line in it names. */
function withNames(around: Around, own: LineNames): Around {
  if (own === NAMELESS) return around;
  return {
    tags: joined(around.tags, own.tags),
    people: joined(around.people, own.people),
    links: own.links.length === 0 ? around.links : joined(around.links, targetsOf(own.links)),
    headings: around.headings,
  };
}

/** The headings that hold a place, and what they hand down. */
class HeadingTrail {
  /** What an item at the top inherits here. */
  around: Around;
  private readonly open: { level: number; around: Around }[] = [];

  constructor(private readonly outer: Around) {
    this.around = outer;
  }

  enter({ level, words }: Heading, named: LineNames): void {
    while ((this.open.at(-1)?.level ?? 0) >= level) this.open.pop();
    const up = this.open.at(-1)?.around ?? this.outer;
    const { tags, people, links } = withNames(up, named);
    this.around = { tags, people, links, headings: [...up.headings, words] };
    this.open.push({ level, around: this.around });
  }
}
