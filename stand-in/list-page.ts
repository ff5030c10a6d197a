import type { Faults } from './faults';
import { FAULTS } from './faults';
import type { TaskFiles } from './task-files';
import { readTask } from './task-text';
import { escaped } from './xml';

const STYLE = `body{font:16px/1.5 system-ui,sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem;color:#222;background:#faf9f6}
h1{font-size:1.4rem}h2{font-size:1.1rem;margin-top:2rem}form{display:inline-flex;gap:.4rem;flex-wrap:wrap;align-items:center}
li{margin:.35rem 0}input,select,button{font:inherit;padding:.15rem .4rem}.done input[name=words]{text-decoration:line-through}small{color:#666}`;

const PRIORITIES: readonly [number, string][] = [
  [0, 'no priority'],
  [1, '1, highest'],
  [3, '3'],
  [5, '5'],
  [9, '9, lowest'],
];

/** What the service says of itself to a person: its lists with their tasks, to be looked at and changed, and what is to go wrong. */
export function listPage(files: TaskFiles, faults: Faults, key: string): string {
  const lists = files.lists();
  const sections = lists.map(({ id, title }) => {
    const rows = files.all(id).map(({ name, text }) => {
      const task = readTask(text);
      if (!task) return `<li><small>${escaped(name)} holds no task that can be read.</small></li>`;
      const choices = lists
        .map((other) => `<option value="${other.id}"${other.id === id ? ' selected' : ''}>${escaped(other.title)}</option>`)
        .join('');
      const priorities = PRIORITIES.map(
        ([value, words]) => `<option value="${value}"${value === task.priority ? ' selected' : ''}>${words}</option>`,
      );
      return `<li class="${task.done ? 'done' : ''}"><form method="post" action="/tasks/${id}/${encodeURIComponent(name)}">
<label><input type="checkbox" name="done" value="yes"${task.done ? ' checked' : ''}> done</label>
<input name="words" aria-label="Words" size="36" value="${escaped(task.words)}">
<input name="due" aria-label="Due" placeholder="2026-11-27T15:00" size="16" value="${escaped(task.due)}">
<select name="priority" aria-label="Priority">${priorities.join('')}</select>
<input name="labels" aria-label="Labels" placeholder="labels, by commas" size="14" value="${escaped(task.labels.join(', '))}">
<select name="list" aria-label="List">${choices}</select>
<button>Store</button><button name="remove" value="yes">Remove</button></form>${task.link === '' ? '' : ` <small>from ${escaped(task.link)}</small>`}</li>`;
    });
    return `<h2>${escaped(title)}</h2><ul>${rows.join('') || '<li><small>Nothing stands here.</small></li>'}</ul>
<form method="post" action="/tasks/${id}"><input name="words" aria-label="New task in ${escaped(title)}" required><button>Add</button></form>`;
  });
  const waiting = faults.present.map(({ fault, count }) => `${fault} (${count})`).join(', ') || 'nothing';
  const wrong = FAULTS.map((fault) => `<option>${fault}</option>`).join('');
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Outside list</title><style>${STYLE}</style></head><body>
<h1>An outside list</h1>
<p>A stand-in of a task service, for this machine alone. Programs reach it at <code>/dav/</code> by CalDAV, with the name <code>desk</code> and the key <code>${escaped(key)}</code>.</p>
${sections.join('\n')}
<h2>A new list</h2><form method="post" action="/lists"><input name="title" aria-label="Title of the list" required><button>Make it</button></form>
<h2>What goes wrong</h2><p><small>For the next requests of programs: ${escaped(waiting)}.</small></p>
<form method="post" action="/faults"><select name="fault" aria-label="Fault">${wrong}</select><input name="count" type="number" min="1" max="1000" value="1" aria-label="Requests"><button>Let it go wrong</button></form>
<form method="post" action="/faults/clear"><button>Nothing goes wrong</button></form>
<form method="post" action="/marks/forget"><button>Forget all marks</button></form>
</body></html>`;
}
