import { type SHIPPED_FOOT_KINDS, footPath } from './shipped-names';
import { type ShippedPage, gatherBlocks } from './shipped-page';

function foot(of: (typeof SHIPPED_FOOT_KINDS)[number], about: string, lists: Parameters<typeof gatherBlocks>[0]): ShippedPage {
  return { path: footPath(of), text: `---\nkind: agenda\nfoot: ${of}\n---\n${about}\n\n${gatherBlocks(lists)}\n` };
}

const ARCHIVED = 'where closed and kind = archive and this note';
const ELSEWHERE = 'where open and to this note';

/** What ships under the notes of a kind: agenda pages that a person reads, changes and restores like the others. */
export const SHIPPED_FEET: readonly ShippedPage[] = [
  foot('person', 'What stands under the page of a person: all that is open with them, wherever it is written.', [
    { title: 'To raise', lines: ['where open and this person and to raise'] },
    {
      title: 'Open with them',
      lines: [
        'where open and this person and not to raise and not owner = this person and not asked = this person',
        'order by priority, due, plan',
      ],
    },
    { title: 'Owned by them', lines: ['where open and owner = this person and not to raise', 'order by due, priority'] },
    {
      title: 'Asked by them',
      lines: ['where open and asked = this person and not owner = this person and not to raise', 'order by due, priority'],
    },
    { title: 'Finished lately', lines: ['where this person and done in last 14 days', 'order by done desc', 'limit 20'] },
    { title: 'Meetings together', lines: ['from meetings', 'where this person', 'order by date desc', 'limit 8', 'columns date, open'] },
    { title: 'Open from meetings', lines: ['where open and met this person and not this person', 'order by due, path'] },
    { title: 'Key points', lines: ['from key points', 'where this person or met this person', 'limit 20'] },
  ]),
  foot('project', 'What stands under the page of a project: its next step, and what is written elsewhere about it.', [
    { title: 'Next step', lines: ['where open and this note and not waiting and not blocked and not resting', 'limit 1'] },
    { title: 'Open elsewhere', lines: [ELSEWHERE] },
    { title: 'Waiting', lines: ['where waiting and (this note or to this note)', 'order by since, due', 'including resting'] },
    { title: 'Open here', lines: ['where open and this note', 'order by path', 'limit 30'] },
    { title: 'Key points', lines: ['from key points', 'where this note or to this note', 'limit 20'] },
  ]),
  foot('goal', 'What stands under the page of a goal: the projects and tasks that serve it.', [
    { title: 'Projects', lines: ['from notes', 'where kind = project and to this note', 'order by title'] },
    { title: 'Open', lines: ['where open and (this note or to this note)', 'order by priority, due, plan'] },
    { title: 'Done', lines: ['where done and (this note or to this note)', 'order by done desc', 'limit 20'] },
  ]),
  foot('meeting', 'What a meeting leads to, at its head: what is to be done, what was said, and what was left from last time.', [
    { title: 'To do', lines: ['where open and this note and not is question', 'order by path', 'including resting'] },
    { title: 'Done', lines: ['where closed and this note and not is question', 'order by path'] },
    { title: 'Key points', lines: ['from key points', 'where this note', 'order by path'] },
    { title: 'Questions', lines: ['where is question and this note', 'order by status, path'] },
    { title: 'Left from last time', lines: ['where open and this series and not this note', 'order by path', 'including resting'] },
    { title: 'To raise', lines: ['where open and to raise and this person and not this note', 'order by priority, due'] },
  ]),
  foot('tag', 'What stands under the page of a tag.', [
    { title: 'Open', lines: ['where open and this tag', 'group by period'] },
    { title: 'Resting', lines: ['where resting and this tag', 'group by back'] },
    { title: 'Finished in the last 14 days', lines: ['where this tag and done in last 14 days', 'order by done desc', 'limit 50'] },
  ]),
  foot('archive', 'What stands under an archive: how much was finished when, and what last.', [
    { title: 'Finished by month', lines: [ARCHIVED, 'as bars of done by month of done'] },
    { title: 'Finished last', lines: [ARCHIVED, 'order by done desc', 'limit 20', 'totals count, takes'] },
  ]),
  foot('journal', 'What stands under the page of a day and is written in other notes.', [
    { title: 'Late', lines: ['where late and not plan > today and not this note and this day = today', 'order by priority, due'] },
    {
      title: 'Due and planned',
      lines: [
        'where open and (due = this day or plan = this day) and not this note',
        '  and not (late and not plan > today and this day = today)',
        'order by priority, plan, due',
      ],
    },
    { title: 'Finished', lines: ['where done = this day and not this note', 'order by done', 'steps apart'] },
  ]),
];
