import type { Day } from '../calendar/day';
import { readStructure } from '../note/blocks';
import { type FrontMatter, type NoteKind, readFrontMatter } from '../note/front-matter';
import { type Lines, lineText, splitLines } from '../note/lines';
import { type Inline, type Link, foldName, readInline } from '../note/names';
import { baseNameOf, dayOfTitle } from '../note/path';
import { type Heading, LineKind, type Structure } from '../note/structure';
import { clauseOf, readTail } from './tail';
import { READING_DEFAULTS, type ReadingSettings, type Task, readTaskLine } from './task';

/** A gather block of a note. Lines count from 0 and hold the fences. */
export interface GatherBlock {
  line: number;
  lastLine: number;
  text: string;
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
  links: (Link & { line: number })[];
  /** Tags and people named anywhere in the note, as written. */
  tags: string[];
  people: string[];
}

/** An item that is worth gathering, whether or not it is a task. */
export interface KeyPoint {
  /** From 0. */
  line: number;
  /** Its words without box and tail. */
  text: string;
  headings: readonly string[];
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
  const tags = new Set(front.tags);
  const people = new Set(front.people);
  const contexts: ItemContext[] = [];
  const trail = new HeadingTrail({ tags: front.tags, people: [], links: front.about });
  const withTasks = !WITHOUT_TASKS.has(note.kind);
  let nextItem = 0;
  let nextHeading = 0;
  for (let line = front.lineCount; line < kinds.length; line++) {
    const kind = kinds[line];
    if (kind !== LineKind.text && kind !== LineKind.heading && items[nextItem]?.line !== line) continue;
    const words = lineText(lines, line);
    const inline = readInline(words);
    for (const name of inline.names) (name.kind === 'tag' ? tags : people).add(name.name);
    for (const link of inline.links) note.links.push({ ...link, line });
    const heading = headings[nextHeading];
    if (heading?.line === line) {
      nextHeading++;
      if (heading.topLevel) trail.enter(heading, inline);
    }
    for (; items[nextItem]?.line === line; nextItem++) {
      const item = items[nextItem];
      if (!item) break;
      // Asking an array for its element -1 is many times dearer than the comparison.
      const outer = (item.parent === -1 ? undefined : contexts[item.parent]) ?? trail.context;
      const task = withTasks && item.wordsFrom >= 0 ? readTaskLine(words, item.wordsFrom, settings) : null;
      if (task) {
        task.line = line;
        task.item = nextItem;
        task.markerFrom = item.markerFrom;
        task.depth = item.depth;
        task.parent = outer.task;
        task.headings = trail.path;
        task.inheritedTags = without(outer.tags, task.tags);
        task.inheritedPeople = without(outer.people, task.people);
        task.inheritedLinks =
          task.links.length === 0
            ? outer.links
            : without(
                outer.links,
                task.links.map((link) => link.target),
              );
        note.tasks.push(task);
        if (task.owner !== null && task.owner !== 'nobody') people.add(task.owner);
        if (task.asked !== null) people.add(task.asked);
        if (task.key) note.keyPoints.push({ line, text: task.text, headings: trail.path, task: note.tasks.length - 1 });
      } else if (withTasks && item.wordsFrom >= 0 && words.endsWith('}')) {
        const tail = readTail(words, item.wordsFrom);
        if (clauseOf(tail, 'key')) {
          note.keyPoints.push({ line, text: words.slice(item.wordsFrom, tail?.from).trim(), headings: trail.path, task: -1 });
        }
      }
      const own = item.wordsFrom >= 0 ? inline : NOTHING;
      const { tags: handedTags, people: handedPeople, links: handedLinks } = add(outer, own);
      const nearest = task ? note.tasks.length - 1 : outer.task;
      contexts.push({ tags: handedTags, people: handedPeople, links: handedLinks, task: nearest });
    }
  }
  note.tags = [...tags];
  note.people = [...people];
}

const NOTHING: Inline = { names: [], links: [] };

function without(inherited: readonly string[], own: readonly string[]): readonly string[] {
  if (own.length === 0 || inherited.length === 0) return inherited;
  const folded = new Set(own.map(foldName));
  return inherited.filter((name) => !folded.has(foldName(name)));
}

/** What stands around, and what a line adds to it. The same lists when it adds nothing. */
function add(around: Around, inline: Inline): Around {
  if (inline.names.length === 0 && inline.links.length === 0) return around;
  const join = (outer: readonly string[], own: string[]): readonly string[] =>
    own.length === 0 ? outer : [...without(outer, own), ...own];
  return {
    tags: join(
      around.tags,
      inline.names.filter((name) => name.kind === 'tag').map((name) => name.name),
    ),
    people: join(
      around.people,
      inline.names.filter((name) => name.kind === 'person').map((name) => name.name),
    ),
    links: join(
      around.links,
      inline.links.map((link) => link.target),
    ),
  };
}

/** The headings that hold a place, and what they hand down. */
class HeadingTrail {
  path: string[] = [];
  around: Around;
  /** What an item at the top inherits here. */
  context: ItemContext;
  private readonly open: { level: number; around: Around; path: string[] }[] = [];

  constructor(private readonly outer: Around) {
    this.around = outer;
    this.context = { ...outer, task: -1 };
  }

  enter(heading: Heading, inline: Inline): void {
    while ((this.open[this.open.length - 1]?.level ?? 0) >= heading.level) this.open.pop();
    const up = this.open[this.open.length - 1];
    this.around = add(up?.around ?? this.outer, inline);
    this.context = { ...this.around, task: -1 };
    this.path = [...(up?.path ?? []), heading.words];
    this.open.push({ level: heading.level, around: this.around, path: this.path });
  }
}
