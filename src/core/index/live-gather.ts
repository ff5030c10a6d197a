import type { DateStyle } from '../calendar/day-name';
import { type Answer, type Plan, answerFrom, planGather } from '../gather/answer';
import { anyPart } from '../gather/any-part';
import type { Gather, GatherContext, GatherError } from '../gather/ast';
import type { NameLookup } from '../gather/evaluate';
import { parseGather } from '../gather/parse';
import type { Row } from './row';

/**
 * A gather that is kept answered. It holds the rows that match, in order; a changed note takes its old rows out
 * and puts its new ones in, so that the work does not grow with the number of notes.
 */
export class LiveGather {
  readonly gather: Gather;
  readonly errors: GatherError[];
  /** Whether its answer depends on how notes are called. */
  readonly asksForNames: boolean;
  /** Whether its answer depends on what refs point at. */
  readonly asksForRefs: boolean;
  plan: Plan;
  private matching: Row[] = [];
  private hidden = new Set<Row>();

  constructor(
    text: string,
    context: GatherContext,
    private readonly lookup: NameLookup,
    /** Whether a task with this ref exists, so that its echoes are left out. */
    private readonly hasRef: (ref: string) => boolean,
  ) {
    const parsed = parseGather(text);
    this.gather = parsed.gather;
    this.errors = parsed.errors;
    this.asksForNames = anyPart(this.gather.where, (part) => part.is === 'link' || part.is === 'under');
    this.asksForRefs = anyPart(this.gather.where, (part) => part.is === 'flag' && part.flag === 'blocked');
    this.plan = planGather(this.gather, context, lookup);
  }

  /** Starts over: for a new day, new settings, or names that changed. */
  rebuild(rows: Iterable<Row>, context: GatherContext): void {
    this.plan = planGather(this.gather, context, this.lookup);
    this.matching = [];
    this.hidden = new Set();
    if (this.errors.length > 0) return;
    for (const row of rows) this.add(row, this.matching);
    this.matching.sort(this.plan.compare);
  }

  /** Takes a note's old rows out and its new ones in; false when neither concerns this gather. */
  change(removed: readonly Row[], added: readonly Row[]): boolean {
    if (this.errors.length > 0) return false;
    const gone = new Set<Row>();
    let touched = false;
    for (const row of removed) {
      if (this.hidden.delete(row)) touched = true;
      else if (this.plan.matches(row)) gone.add(row);
    }
    const come: Row[] = [];
    const hiddenBefore = this.hidden.size;
    for (const row of added) this.add(row, come);
    touched ||= gone.size > 0 || come.length > 0 || this.hidden.size !== hiddenBefore;
    if (gone.size > 0) this.matching = this.matching.filter((row) => !gone.has(row));
    if (come.length > 0) this.matching = merge(this.matching, come.sort(this.plan.compare), this.plan.compare);
    return touched;
  }

  private add(row: Row, into: Row[]): void {
    if (row.echo !== null && this.hasRef(row.echo)) return;
    if (!this.plan.matches(row)) return;
    if (this.plan.hides(row)) this.hidden.add(row);
    else into.push(row);
  }

  /** The rows of the answer before grouping and limits, in order. */
  get rows(): readonly Row[] {
    return this.matching;
  }

  answer(style: DateStyle): Answer {
    return answerFrom(this.plan, this.matching, this.hidden.size, style);
  }
}

/** Merges a few sorted rows into many by searching each one's place. */
function merge(many: Row[], few: Row[], compare: (a: Row, b: Row) => number): Row[] {
  const result: Row[] = [];
  let at = 0;
  for (const row of few) {
    let low = at;
    let high = many.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      const other = many[middle];
      if (other && compare(other, row) <= 0) low = middle + 1;
      else high = middle;
    }
    for (; at < low; at++) {
      const other = many[at];
      if (other) result.push(other);
    }
    result.push(row);
  }
  return at === 0 && result.length === 0 ? many : result.concat(many.slice(at));
}
