import { type Day, isoDay } from '../../../core/calendar/day';

/** What could be in a day, as gathers: what is late only for today, due, left from earlier plans, begun, back in sight, weighty without a day. */
export function couldBe(day: Day, today: Day): string[] {
  const iso = isoDay(day);
  const isOther = `not plan = ${iso} and not journal = ${iso}`;
  return [
    ...(day === today ? [`title Late\nwhere late and ${isOther}\norder by priority, due`] : []),
    `title Due ${day === today ? 'today' : 'that day'}\nwhere open and due = ${iso} and ${isOther}\norder by priority`,
    `title Left from earlier\nwhere open and plan < ${iso} and not late and not waiting and not repeats\norder by plan, priority`,
    `title Under way\nwhere underway and not late and ${isOther} and not plan < ${iso} and not due = ${iso}\norder by since`,
    `title Back in sight\nwhere (todo or underway) and start in last 7 days and without plan and not due <= ${iso}\norder by start desc\nlimit 12`,
    `title Weighty, without a day\nwhere todo and priority >= high and without due and without plan and ${isOther}\norder by priority\nlimit 20`,
  ];
}
