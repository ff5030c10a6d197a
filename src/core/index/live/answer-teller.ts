import { type AnswerGroup, type AnswerRow, groupOf } from '../../gather/answer/answer';
import { noSums, totalsFrom } from '../../gather/answer/sums';
import type { GatherContext, GatherError } from '../../gather/language/ast';
import { sentenceText } from '../../gather/saying/sentence';
import type { LiveGather, LiveGroup } from './live-gather';
import type { AnswerNews, GroupChange, RowSplice } from './news';
import { type AnswerView, type GroupView, type RowView, groupView, rowView } from './view';

/** So many rows of a group are told at once: what crosses to the page holds it up for no more than a few frames. */
const PORTION = 5000;

/** Tells what a live gather comes to: whole at first, then only what is different. */
export class AnswerTeller {
  private views = new WeakMap<AnswerRow, RowView>();
  /** How many rows were told of each group that is told bit by bit. */
  private readonly begun = new Map<LiveGroup, number>();
  /** The order of the groups as it was told last. */
  private order: readonly LiveGroup[] | null = null;

  constructor(private readonly live: LiveGather) {}

  /**
   * The whole answer.
   *
   * @param most how many rows are given at most; the groups behind come without any
   */
  answer(context: GatherContext, hints: GatherError[], most = Infinity): AnswerView {
    const { live } = this;
    if (live.errors.length > 0) return { ...NOTHING, title: live.gather.title, errors: live.errors };
    const view = (entry: AnswerRow): RowView => this.viewOf(entry, context);
    const answer = live.answer();
    const groups = live.isCut ? answer.groups.map((group) => groupView(0, group, view)) : this.firstRows(answer.groups, view, most);
    return { ...this.head(context, hints), more: answer.more, groups };
  }

  /**
   * What is different since the last call.
   *
   * @param most how many rows a whole answer begins with; the next calls give the others
   */
  news(context: GatherContext, hints: GatherError[], most = PORTION): AnswerNews {
    const { live } = this;
    const whole = !live.told || live.isCut || live.errors.length > 0;
    if (whole) this.begun.clear();
    live.told = live.errors.length === 0;
    const order = live.ordered;
    const news: AnswerNews = whole
      ? { is: 'whole', answer: this.answer(context, hints, most) }
      : {
          is: 'change',
          head: { ...this.head(context, hints), more: 0 },
          order: order === this.order ? null : order.map((group) => group.id),
          groups: [...live.dirty].map((group) => this.changeOf(group, context)),
        };
    this.order = order;
    for (const group of whole ? order : live.dirty) group.splices = [];
    live.dirty.clear();
    const present = new Set(order);
    for (const group of this.begun.keys()) {
      if (present.has(group)) live.dirty.add(group);
      else this.begun.delete(group);
    }
    return news;
  }

  /** The groups in their order, with rows as long as there are any left to give. */
  private firstRows(groups: readonly AnswerGroup[], view: (entry: AnswerRow) => RowView, most: number): GroupView[] {
    let left = most;
    return this.live.ordered.flatMap((live, index) => {
      const group = groups[index];
      if (!group) return [];
      const shown = groupView(live.id, group, view, left);
      left -= shown.rows.length;
      if (shown.rows.length < group.rows.length) this.begun.set(live, shown.rows.length);
      return shown;
    });
  }

  /** Whether the last call left rows for the next one. */
  get owes(): boolean {
    return this.live.dirty.size > 0;
  }

  private changeOf(group: LiveGroup, context: GatherContext): GroupChange {
    const view = (entry: AnswerRow): RowView => this.viewOf(entry, context);
    if (this.live.gather.limitPerGroup !== null || group.splices === null) {
      const shown = this.live.shownOf(group);
      const { rows, ...head } = groupView(group.id, shown, view, this.live.gather.limitPerGroup === null ? PORTION : Infinity);
      this.toldSoFar(group, rows.length, shown.rows.length);
      return { head, rows, splices: [], more: [] };
    }
    // The rows themselves are not gathered: only what came and went is told.
    const { rows: _none, ...head } = groupView(group.id, groupOf(group, group.sums, [], 0, group.count - group.entries.size), view);
    const splices: RowSplice[] = [];
    let told = this.begun.get(group) ?? Infinity;
    for (const { at, entry } of group.splices) {
      // What comes or goes behind what was told is told with it.
      if (at >= told) continue;
      told += entry ? 1 : -1;
      splices.push({ at, row: entry && view(entry) });
    }
    if (told === Infinity) return { head, rows: null, splices, more: [] };
    const { rows } = this.live.shownOf(group);
    const more = rows.slice(told, told + PORTION).map(view);
    this.toldSoFar(group, told + more.length, rows.length);
    return { head, rows: null, splices, more };
  }

  private toldSoFar(group: LiveGroup, told: number, all: number): void {
    if (told < all) this.begun.set(group, told);
    else this.begun.delete(group);
  }

  private head(context: GatherContext, hints: GatherError[]): Omit<AnswerView, 'groups' | 'more'> {
    const { gather } = this.live;
    return {
      title: gather.title,
      form: gather.form,
      ...{ from: gather.from, list: gather.list },
      columns: gather.columns,
      sums: gather.totals,
      into: gather.into,
      sentence: sentenceText(this.live.written, context),
      ...this.live.head,
      errors: [],
      hints,
    };
  }

  private viewOf(entry: AnswerRow, context: GatherContext): RowView {
    const known = this.views.get(entry);
    if (known) return known;
    const made = rowView(entry, context.today);
    this.views.set(entry, made);
    return made;
  }
}

const NOTHING: AnswerView = {
  title: null,
  form: null,
  from: 'tasks',
  list: null,
  columns: null,
  sums: null,
  into: null,
  sentence: '',
  total: 0,
  steps: 0,
  rests: 0,
  totals: totalsFrom(noSums()),
  more: 0,
  resting: 0,
  groups: [],
  errors: [],
  hints: [],
};
