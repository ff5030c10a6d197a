import type { Day } from '../calendar/day';
import { readStructure } from '../note/blocks';
import { type FrontMatter, type NoteKind, readFrontMatter } from '../note/front-matter';
import { type Lines, lineText, splitLines } from '../note/lines';
import { type Inline, type Link, NO_NAMES, type Name, readInline, sameName } from '../note/names';
import { baseNameOf, dayOfTitle } from '../note/path';
import { type Heading, type Item, LineKind, type Structure } from '../note/structure';
import { clauseOf, readTail } from './tail';
import { READING_DEFAULTS, type ReadingSettings, Task, readTaskLine } from './task';

/** A gather block of a note. Lines count from 0 and hold the fences. */
export interface GatherBlock {
  line: number;
  lastLine: number;
  text: string;
}

/** A link with the line that it stands on. */
export interface NoteLink extends Link {
  /** From 0. */
  line: number;
}

/** A note as it was read: everything that is computed from its text alone. */
export interface ReadNote {
  path: string;
  title: string;
  kind: NoteKind;
  /** The day of a journal page; null for other notes. */
  journal: Day | null;
  front: FrontMatter;
  lines: Lines;
  structure: Structure;
  tasks: Task[];
  gathers: GatherBlock[];
  /** List items, tasks or not, whose tail says key. */
  keyPoints: KeyPoint[];
  /** Every link of the note, with its line. */
  links: NoteLink[];
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

/** Lines of notes of these kinds are no tasks. */
const WITHOUT_TASKS: ReadonlySet<NoteKind> = new Set(['template', 'slip', 'status']);

/**
 * Reads a note: front matter, structure, tasks with what they inherit, gather blocks, links and names.
 *
 * @param path its path, which gives the title when the text does not
 */
export function readNote(path: string, text: string, settings: ReadingSettings = READING_DEFAULTS): ReadNote {
  const lines = splitLines(text);
  const front = readFrontMatter(lines);
  const structure = readStructure(lines, front.lineCount);
  const title = front.title ?? baseNameOf(path);
  const titleDay = dayOfTitle(title);
  const kind = front.kind ?? (titleDay === null ? 'note' : 'journal');
  const note: ReadNote = {
    path,
    title,
    kind,
    journal: kind === 'journal' ? (front.date ?? titleDay) : null,
    front,
    lines,
    structure,
    tasks: [],
    gathers: structure.fences.filter(isGather).map(({ line, lastLine, body }) => ({ line, lastLine, text: body })),
    keyPoints: [],
    links: [],
    tags: [],
    people: [],
  };
  readLines(note, settings);
  return note;
}

function isGather(fence: { info: string }): boolean {
  return /^gather(?:\s|$)/.test(fence.info);
}

/** What a task inherits from around it; a list per level, shared by all that stand in it. */
interface Around {
  tags: readonly string[];
  people: readonly string[];
  links: readonly string[];
}

interface ItemContext extends Around {
  /** The index of the nearest task at or around the item; -1 when none. */
  task: number;
}

function readLines(note: ReadNote, settings: ReadingSettings): void {
  const { lines, structure, front } = note;
  const { items, headings, kinds } = structure;
  const names = new Names(front.tags, front.people);
  const signs = new Signs(lines.text);
  const contexts: ItemContext[] = [];
  const trail = new HeadingTrail({ tags: front.tags, people: [], links: front.about });
  const withTasks = !WITHOUT_TASKS.has(note.kind);
  let nextItem = 0;
  let nextHeading = 0;
  let itemLine = items[0]?.line ?? -1;
  let headingLine = headings[0]?.line ?? -1;
  for (let line = front.lineCount; line < kinds.length; line++) {
    const kind = kinds[line];
    const beginsItem = itemLine === line;
    if (kind !== LineKind.text && kind !== LineKind.heading && !beginsItem) continue;
    const mayName = signs.standIn(lines.starts[line] ?? 0, lines.ends[line] ?? 0);
    if (!mayName && !beginsItem && headingLine !== line) continue;
    const words = lineText(lines, line);
    if (!beginsItem) {
      const inline = mayName ? readInline(words) : NO_NAMES;
      names.add(note, inline, line);
      const heading = headings[nextHeading];
      if (headingLine !== line || !heading) continue;
      headingLine = headings[++nextHeading]?.line ?? -1;
      if (heading.topLevel) trail.enter(heading, inline);
      continue;
    }
    for (; itemLine === line; itemLine = items[++nextItem]?.line ?? -1) {
      const item = items[nextItem];
      if (!item) break;
      // Asking an array for its element -1 is many times dearer than the comparison.
      const outer = (item.parent === -1 ? undefined : contexts[item.parent]) ?? trail.context;
      const task = withTasks && item.wordsFrom >= 0 ? readTaskLine(words, item.wordsFrom, settings) : null;
      if (task) {
        contexts.push(takeTask(note, names, task, nextItem, item, line, outer, trail.path));
        continue;
      }
      const own = item.wordsFrom >= 0 && mayName ? readInline(words, item.wordsFrom, wordsEnd(words, item.wordsFrom)) : NO_NAMES;
      if (withTasks && item.wordsFrom >= 0 && words.endsWith('}')) addKeyPoint(note, words, item, line, own, outer, trail.path);
      names.add(note, own, line);
      contexts.push(own === NO_NAMES ? outer : inContext(withNames(outer, own), outer.task));
    }
    if (headingLine === line) headingLine = headings[++nextHeading]?.line ?? -1;
  }
  note.tags = names.tags();
  note.people = names.people();
}

/** Puts a task into its note; gives what it hands down to what stands in it. */
function takeTask(
  note: ReadNote,
  names: Names,
  task: Task,
  index: number,
  item: Item,
  line: number,
  outer: ItemContext,
  path: readonly string[],
): ItemContext {
  task.line = line;
  task.item = index;
  task.markerFrom = item.markerFrom;
  task.depth = item.depth;
  task.parent = outer.task;
  task.headings = path;
  task.inheritedTags = without(outer.tags, task.tags);
  task.inheritedPeople = without(outer.people, task.people);
  task.inheritedLinks = outer.links;
  const place = note.tasks.push(task) - 1;
  if (task.owner !== null && task.owner !== 'nobody') names.addPerson(task.owner);
  if (task.asked !== null) names.addPerson(task.asked);
  if (task.key) note.keyPoints.push({ line, said: task, task: place });
  const named = task.tags.length > 0 || task.people.length > 0;
  if (!named && task.links.length === 0) return inContext(outer, place);
  for (const tag of task.tags) names.addTag(tag);
  for (const person of task.people) names.addPerson(person);
  if (task.links.length === 0)
    return { tags: joined(outer.tags, task.tags), people: joined(outer.people, task.people), links: outer.links, task: place };
  addLinks(note, task.links, line);
  const targets = task.links.map((link) => link.target);
  task.inheritedLinks = without(outer.links, targets);
  return {
    tags: joined(outer.tags, task.tags),
    people: joined(outer.people, task.people),
    links: joined(outer.links, targets),
    task: place,
  };
}

/** Where the words of an item end: before its tail. */
function wordsEnd(words: string, from: number): number {
  return words.endsWith('}') ? (readTail(words, from)?.from ?? words.length) : words.length;
}

/** A list item that is no task and bears the clause `key`. */
function addKeyPoint(
  note: ReadNote,
  words: string,
  item: Item,
  line: number,
  { names, links }: Inline,
  outer: ItemContext,
  headings: readonly string[],
): void {
  const tail = readTail(words, item.wordsFrom);
  if (!clauseOf(tail, 'key')) return;
  // Its words begin where those of a task would begin behind a box without a sign.
  const said = new Task(words, item.wordsFrom - 2, '', 'todo');
  said.tailFrom = tail?.from ?? words.length;
  said.tags = names.filter((name) => name.kind === 'tag').map((name) => name.name);
  said.people = names.filter((name) => name.kind === 'person').map((name) => name.name);
  said.links = links;
  said.line = line;
  said.markerFrom = item.markerFrom;
  said.depth = item.depth;
  said.headings = headings;
  said.inheritedTags = without(outer.tags, said.tags);
  said.inheritedPeople = without(outer.people, said.people);
  said.inheritedLinks = outer.links;
  note.keyPoints.push({ line, said, task: -1 });
}

function addLinks(note: ReadNote, links: readonly Link[], line: number): void {
  for (const { target, heading, words, from, to } of links) note.links.push({ target, heading, words, from, to, line });
}

/** The tags and people that a note names, each as it was written first. */
class Names {
  private tagSet: Set<string> | null = null;
  private personSet: Set<string> | null = null;

  constructor(
    private readonly firstTags: string[],
    private readonly firstPeople: string[],
  ) {}

  add(note: ReadNote, inline: Inline, line: number): void {
    if (inline === NO_NAMES) return;
    for (const { kind, name } of inline.names) {
      if (kind === 'tag') this.addTag(name);
      else this.addPerson(name);
    }
    addLinks(note, inline.links, line);
  }

  addTag(name: string): void {
    (this.tagSet ??= new Set(this.firstTags)).add(name);
  }

  addPerson(name: string): void {
    (this.personSet ??= new Set(this.firstPeople)).add(name);
  }

  tags(): string[] {
    return this.tagSet ? [...this.tagSet] : this.firstTags;
  }

  people(): string[] {
    return this.personSet ? [...this.personSet] : this.firstPeople;
  }
}

/** Finds the lines in which a tag, a person or a link may stand, without looking at the others. */
class Signs {
  private hash: number;
  private at: number;
  private bracket: number;

  constructor(private readonly text: string) {
    this.hash = text.indexOf('#');
    this.at = text.indexOf('@');
    this.bracket = text.indexOf('[[');
  }

  /** Whether one stands between two offsets; the offsets only grow. */
  standIn(from: number, to: number): boolean {
    if (this.hash !== -1 && this.hash < from) this.hash = this.text.indexOf('#', from);
    if (this.at !== -1 && this.at < from) this.at = this.text.indexOf('@', from);
    if (this.bracket !== -1 && this.bracket < from) this.bracket = this.text.indexOf('[[', from);
    return (this.hash !== -1 && this.hash < to) || (this.at !== -1 && this.at < to) || (this.bracket !== -1 && this.bracket < to);
  }
}

function without(inherited: readonly string[], own: readonly string[]): readonly string[] {
  if (own.length === 0 || inherited.length === 0) return inherited;
  for (const name of inherited) {
    if (own.some((one) => sameName(one, name))) return inherited.filter((other) => !own.some((one) => sameName(one, other)));
  }
  return inherited;
}

/** What stands around, and behind it what a line adds. The same list when it adds nothing. */
function joined(outer: readonly string[], own: readonly string[]): readonly string[] {
  if (own.length === 0) return outer;
  return outer.length === 0 ? own : [...without(outer, own), ...own];
}

function withNames(around: Around, { names, links }: Inline): Around {
  const of = (kind: Name['kind']): string[] => names.filter((name) => name.kind === kind).map((name) => name.name);
  return {
    tags: joined(around.tags, of('tag')),
    people: joined(around.people, of('person')),
    links: joined(
      around.links,
      links.map((link) => link.target),
    ),
  };
}

// Copying such an object by spreading it costs more than reading the line.
function inContext({ tags, people, links }: Around, task: number): ItemContext {
  return { tags, people, links, task };
}

/** The headings that hold a place, and what they hand down. */
class HeadingTrail {
  path: readonly string[] = [];
  /** What an item at the top inherits here. */
  context: ItemContext;
  private readonly open: { level: number; around: Around; path: readonly string[] }[] = [];

  constructor(private readonly outer: Around) {
    this.context = inContext(outer, -1);
  }

  enter(heading: Heading, inline: Inline): void {
    while ((this.open.at(-1)?.level ?? 0) >= heading.level) this.open.pop();
    const up = this.open.at(-1);
    const around = up?.around ?? this.outer;
    const own = inline === NO_NAMES ? around : withNames(around, inline);
    this.context = inContext(own, -1);
    this.path = up ? [...up.path, heading.words] : [heading.words];
    this.open.push({ level: heading.level, around: own, path: this.path });
  }
}
