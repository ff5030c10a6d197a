import { signOfText } from '../../core/agenda/text-sign';
import { fromUtc } from '../../core/calendar/zone';
import { type DayOrder, asksOrder, orderOfDays } from '../../core/formats/in/csv-cells';
import { type CsvMap, guessedMap, readTable } from '../../core/formats/in/csv-in';
import { type Choices, type Incoming, type IncomingKind, incomingOf, kindOfFile, placeIn, tableKey } from '../../core/formats/in/incoming';
import { readIcal } from '../../core/formats/in/ical-in';
import { type OtherSign, otherSigns, withSigns } from '../../core/formats/in/other-signs';
import { decodeUtf8 } from '../../core/note/blocks/decode';
import { foldPath } from '../../core/note/names/path';
import type { ReadingSettings } from '../../core/task/line/task';
import { readNote } from '../../core/task/reading/read-note';
import type { ImportFile } from '../../store/notes/import/import-file';
import type { Portions } from './take-out';

/** A table as a person sees it before it comes in. */
export interface ShownTable {
  path: string;
  key: string;
  columns: string[];
  /** Its first rows. */
  rows: string[][];
  /** How many it has. */
  count: number;
  map: CsvMap;
  order: DayOrder;
  /** Whether a person has to say it. */
  asksOrder: boolean;
}

/** What would come in, by the choices as they are. */
export interface BringInPlan {
  notes: number;
  /** Of notes that are not here already. */
  tasks: number;
  /** Lines for notes that may be here already. */
  lines: number;
  /** How many notes are here already, byte for byte. */
  same: number;
  /** How many have a path that another text has, and come to stand beside it. */
  beside: number;
  left: { path: string; reason: string }[];
  report: string[];
  signs: OtherSign[];
  tables: ShownTable[];
  events: number;
  textFiles: number;
}

/** How many rows of a table are shown. */
const SHOWN_ROWS = 5;
const LINES_TOLD = 200;

interface Note {
  path: string;
  bytes: Uint8Array;
  tasks: number;
  /** The signs in its boxes that may be meant otherwise. */
  signs: readonly string[];
}

interface Other {
  kind: Exclude<IncomingKind, 'note'>;
  path: string;
  text: string;
}

/** Files that were given, read once: what they come to is told as often as a choice changes, and then handed on. */
export class BringIn {
  private readonly notes: Note[] = [];
  private readonly others: Other[] = [];
  /** What is no note, which the import says why of, or takes for itself, as settings. */
  private readonly rest: ImportFile[] = [];
  private readonly signs = new Map<string, OtherSign>();
  /** A sign of each text that is here, by its folded path. */
  private readonly here = new Map<string, string>();

  constructor(
    private readonly reading: ReadingSettings,
    private readonly handles: ReadonlySet<string>,
  ) {}

  /** @param progress called now and then with how many files were read */
  async read(files: AsyncIterable<ImportFile>, stored: Portions, progress: (read: number) => void): Promise<void> {
    let read = 0;
    for await (const file of files) {
      this.take(file);
      if (++read % 200 === 0) progress(read);
    }
    progress(read);
    for await (const { notes } of stored)
      for (const { path, text } of notes) this.here.set(foldPath(path), text === null ? '' : signOfText(text));
  }

  private take(file: ImportFile): void {
    const kind = kindOfFile(file.path);
    const text = file.bytes && kind !== null && !isHidden(file.path) ? decodeUtf8(file.bytes) : null;
    if (!file.bytes || kind === null || text === null) {
      this.rest.push(file);
      return;
    }
    if (kind === 'note') this.takeNote(file.path, file.bytes, text);
    else this.others.push({ kind, path: file.path, text });
  }

  private takeNote(path: string, bytes: Uint8Array, text: string): void {
    const note = readNote(path, text, this.reading);
    const signs = otherSigns(note, this.reading.statuses);
    for (const { sign, count, sample } of signs) {
      const known = this.signs.get(sign);
      this.signs.set(sign, { sign, sample: known?.sample ?? sample, count: (known?.count ?? 0) + count });
    }
    this.notes.push({ path, bytes, tasks: note.tasks.length, signs: signs.map(({ sign }) => sign) });
  }

  plan(choices: Choices): BringInPlan {
    const plan: BringInPlan = {
      ...{ notes: this.notes.length, tasks: 0, lines: 0, same: 0, beside: 0, left: [], report: [] },
      ...{ signs: [...this.signs.values()], tables: [], events: 0, textFiles: 0 },
    };
    for (const note of this.notes) {
      const path = placeIn(choices.folder, note.path);
      // Most of what comes in lies nowhere yet, and its text need not be looked at.
      const isSame = this.here.has(foldPath(path)) && this.isHere(path, this.textOf(note, choices), plan);
      if (!isSame) plan.tasks += note.tasks;
    }
    for (const other of this.others) {
      if (other.kind === 'text') plan.textFiles++;
      if (other.kind === 'csv') plan.tables.push(shownTable(other, choices));
      if (other.kind === 'ics') plan.events += readIcal(other.text, fromUtc)?.events.length ?? 0;
      const { notes, lines, left, report } = this.incoming(other, choices);
      plan.notes += notes.length;
      for (const { path, text } of notes) {
        if (!this.isHere(path, text, plan)) plan.tasks += readNote(path, text, this.reading).tasks.length;
      }
      plan.lines += lines.reduce((sum, one) => sum + one.lines.filter((line) => line.startsWith('- ')).length, 0);
      plan.left.push(...left.map((reason) => ({ path: other.path, reason })));
      plan.report.push(...report);
    }
    plan.report = plan.report.slice(0, LINES_TOLD);
    return plan;
  }

  /** Whether a text is here already, at its place; counted, as is another text that has its path. */
  private isHere(path: string, text: string, plan: BringInPlan): boolean {
    const here = this.here.get(foldPath(path));
    if (here === undefined) return false;
    const isSame = here === signOfText(text);
    if (isSame) plan.same++;
    else plan.beside++;
    return isSame;
  }

  /** Everything that comes in, as the import takes it. */
  *arrivals(choices: Choices): Generator<ImportFile> {
    const encoder = new TextEncoder();
    for (const note of this.notes) {
      const path = placeIn(choices.folder, note.path);
      yield { path, bytes: isMeant(note, choices) ? encoder.encode(this.textOf(note, choices)) : note.bytes };
    }
    for (const other of this.others) {
      const { notes, lines, left } = this.incoming(other, choices);
      for (const { path, text } of notes) yield { path, bytes: encoder.encode(text) };
      for (const { path, lines: more } of lines) yield { path, bytes: null, lines: more };
      for (const reason of left) yield { path: other.path, bytes: null, problem: reason };
    }
    yield* this.rest;
  }

  private textOf(note: Note, choices: Choices): string {
    const text = decodeUtf8(note.bytes) ?? '';
    return isMeant(note, choices) ? withSigns(readNote(note.path, text, this.reading), choices.signs) : text;
  }

  private incoming({ kind, path, text }: Other, choices: Choices): Incoming {
    if (kind === 'text' && choices.textFiles === 'notes')
      return { notes: [{ path: placeIn(choices.folder, path), text }], lines: [], left: [], report: [] };
    return incomingOf(kind, path, text, choices, { fromUtc, isTaken: (handle) => this.handles.has(handle) });
  }
}

/** Whether a sign of a note is chosen to mean something. */
const isMeant = (note: Note, { signs }: Choices): boolean => note.signs.some((sign) => Object.hasOwn(signs, sign));

/** Files of the system, and what Recado puts beside notes, are none of them. */
const isHidden = (path: string): boolean =>
  /(?:^|\/)\./.test(path) || path.startsWith('__MACOSX/') || /(?:^|\/)recado-[a-z]+\.json$/.test(path);

function shownTable({ path, text }: Other, { tables }: Choices): ShownTable {
  const { columns, rows } = readTable(text);
  const key = tableKey(columns);
  const known = tables[key];
  return {
    ...{ path, key, columns, rows: rows.slice(0, SHOWN_ROWS), count: rows.length },
    map: known?.map ?? guessedMap(columns),
    order: known?.order ?? orderOfDays(rows),
    asksOrder: asksOrder(rows),
  };
}
