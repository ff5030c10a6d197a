import ICAL from 'ical.js';

/** What the page of the stand-in shows and changes of a task. */
export interface TaskWords {
  words: string;
  done: boolean;
  /** `2026-11-27`, with a time `2026-11-27T15:00`; empty for none. */
  due: string;
  /** 1 is the highest, 9 the lowest, 0 none (RFC 5545, 3.8.1.9). */
  priority: number;
  labels: string[];
  /** A link that a program left there. */
  link: string;
}

const component = (text: string): ICAL.Component => new ICAL.Component(ICAL.parse(text) as unknown[]);

/** Reads a task; null where it is none, as after somebody spoilt its file by hand. */
export function readTask(text: string): TaskWords | null {
  try {
    const task = component(text).getFirstSubcomponent('vtodo');
    if (!task) return null;
    const due = task.getFirstPropertyValue('due');
    return {
      words: String(task.getFirstPropertyValue('summary') ?? ''),
      done: task.getFirstPropertyValue('status') === 'COMPLETED',
      due: due instanceof ICAL.Time ? due.toString().slice(0, due.isDate ? 10 : 16) : '',
      priority: Number(task.getFirstPropertyValue('priority') ?? 0),
      labels: task.getAllProperties('categories').flatMap((property) => property.getValues().map(String)),
      link: String(task.getFirstPropertyValue('url') ?? ''),
    };
  } catch {
    return null;
  }
}

/** A new task as a calendar object. */
export function newTask(uid: string, words: string, now: Date): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Outside stand-in//EN');
  const task = new ICAL.Component('vtodo');
  task.addPropertyWithValue('uid', uid);
  task.addPropertyWithValue('summary', words);
  calendar.addSubcomponent(task);
  stamp(task, now);
  return `${calendar.toString()}\r\n`;
}

/** The same task with some of it changed; everything else in it stays. */
export function changedTask(text: string, change: Partial<TaskWords>, now: Date): string {
  const calendar = component(text);
  const task = calendar.getFirstSubcomponent('vtodo');
  if (!task) return text;
  const set = (name: string, value: string | number | ICAL.Time | null): void => {
    if (value === null || value === '') task.removeAllProperties(name);
    else task.updatePropertyWithValue(name, value);
  };
  if (change.words !== undefined) set('summary', change.words);
  if (change.due !== undefined) set('due', change.due === '' ? null : timeOf(change.due));
  if (change.priority !== undefined) set('priority', change.priority === 0 ? null : change.priority);
  if (change.labels !== undefined) {
    task.removeAllProperties('categories');
    if (change.labels.length > 0) {
      const property = new ICAL.Property('categories', task);
      property.setValues(change.labels);
      task.addProperty(property);
    }
  }
  if (change.done !== undefined) {
    set('status', change.done ? 'COMPLETED' : 'NEEDS-ACTION');
    set('completed', change.done ? ICAL.Time.fromJSDate(now, true) : null);
    set('percent-complete', change.done ? 100 : null);
  }
  stamp(task, now);
  return `${calendar.toString()}\r\n`;
}

/** When it was changed last, by the clock of the service (RFC 5545, 3.8.7.3). */
function stamp(task: ICAL.Component, now: Date): void {
  const at = ICAL.Time.fromJSDate(now, true);
  task.updatePropertyWithValue('dtstamp', at);
  task.updatePropertyWithValue('last-modified', at);
}

const timeOf = (words: string): ICAL.Time =>
  words.length === 10 ? ICAL.Time.fromDateString(words) : ICAL.Time.fromDateTimeString(words.length === 16 ? `${words}:00` : words);
