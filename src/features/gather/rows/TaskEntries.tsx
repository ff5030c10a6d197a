import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { RowView } from '../../../core/index/live/view';
import { PRIORITY_NAMES } from '../../../core/task/line/clause';
import { isOutsidePath } from '../../../core/note/names/outside-path';
import type { WideIntention } from '../../../core/task/acts/intention';
import { STATUSES, STATUS_NAMES, isOpen } from '../../../core/task/line/status';
import { MenuChoice, MenuChoices, MenuEntry, MenuInside, MenuLine } from '../../../ui/menu/menu';
import { keyName } from '../../commands/command';
import { useCommandKeys } from '../../commands/use-key-of';
import { useBringBackLines } from '../../keep/archive/use-bring-back-lines';
import { shippedPath } from '../../../core/agenda/shipped-names';
import { isNotNow, notNowIntention } from '../../session/acting/not-now';
import { say } from '../../session/telling/messages';
import { copyText } from '../../session/acting/copy-text';
import { noteAddress, statusAddress } from '../../session/places/addresses';
import { taskLink } from '../../note/links/task-link';
import { useServices } from '../../session/state/services';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import { type AskedDialog, dialogTask } from '../../session/acting/task-dialog';
import { rowAddress } from './row-address';
import { OutsideEntries } from '../../sharing/outside/OutsideEntries';
import { useAddedStatuses } from '../../session/state/use-statuses';

interface TaskEntriesProps {
  /** One task or several, on which each entry acts. */
  rows: readonly RowView[];
  onAct: (intentions: readonly WideIntention[]) => void;
  /** Changes the words in place; left out where that is not possible. */
  onReword?: () => void;
  /** What stands below: it comes with the rest, so that nothing moves under the pointer. */
  children?: ReactNode;
}

/** What can be done to tasks from a list: the entries of a row's menu, and of the bar for several. */
export function TaskEntries({ rows, onAct, onReword, children }: TaskEntriesProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { actions, engine } = useServices();
  const keys = useCommandKeys();
  const added = useAddedStatuses();
  const notNow = useAppSelector((state) => state.settings.notNowTag);
  const bringBack = useBringBackLines();
  const hint = (id: string): string | undefined => {
    const key = keys.get(id);
    return key == null ? undefined : keyName(key);
  };
  const [first] = rows;
  if (!first) return null;
  const single = rows.length === 1 ? first : null;
  const tasks = rows.map(dialogTask);
  const isOutside = rows.every(({ path }) => isOutsidePath(path));
  const ask = (dialog: AskedDialog): void => void dispatch(frameSlice.actions.dialogShown(dialog));
  // One after the other: each may get a ref, which moves nothing but changes its note.
  const copyLinks = async (form: 'text' | 'address'): Promise<void> => {
    const links: string[] = [];
    for (const { ref, text } of tasks) links.push((await taskLink(actions, ref, text, form)) ?? '');
    await copyText(links.filter((link) => link !== '').join('\n'));
  };
  const toGoals = async (path: string, line: number): Promise<void> => {
    const goals = await engine.ask('goalsServed', { path, line });
    const [goal] = goals;
    if (!goal) say('It serves no goal: neither it, nor its note, links to one.');
    else void navigate(noteAddress(goals.length === 1 ? goal.path : shippedPath('Goals')));
  };
  const one = (intention: WideIntention): void => onAct([intention]);
  return (
    <>
      {single && (
        <>
          <MenuEntry label="Details…" hint={hint('row-details')} onSelect={() => ask({ is: 'details', task: dialogTask(single) })} />
          <MenuEntry label="Open at its line" hint={hint('row-open')} onSelect={() => void navigate(rowAddress(single))} />
          <MenuEntry label="Its goals" onSelect={() => void toGoals(single.path, single.line)} />
          {onReword && <MenuEntry label="Change the words" onSelect={onReword} />}
          <MenuLine />
        </>
      )}
      <MenuEntry label="Done, with a word…" hint={hint('row-done-remark')} onSelect={() => ask({ is: 'remark', tasks, status: 'done' })} />
      <MenuEntry
        label="Cancel with a remark…"
        hint={hint('row-cancel-remark')}
        onSelect={() => ask({ is: 'remark', tasks, status: 'cancelled' })}
      />
      <MenuInside label="Status">
        <MenuChoices value={single ? (single.sign ?? single.status) : ''}>
          {STATUSES.map((status) => (
            <MenuChoice key={status} value={status} label={STATUS_NAMES[status]} onSelect={() => one({ do: 'status', status })} />
          ))}
          {added.map(({ sign, name, means }) => (
            <MenuChoice key={sign} value={sign} label={name} onSelect={() => one({ do: 'status', status: means, sign })} />
          ))}
        </MenuChoices>
        <MenuLine />
        {single && (
          <MenuEntry
            label="All tasks of this status"
            onSelect={() => void navigate(statusAddress(added.find(({ sign }) => sign === single.sign)?.name ?? single.status))}
          />
        )}
        {single?.every != null && isOpen(single.status) && <MenuEntry label="End the series" onSelect={() => one({ do: 'end' })} />}
        <MenuEntry label="Untick its list for a new round" onSelect={() => one({ do: 'reset' })} />
      </MenuInside>
      <MenuInside label="Priority">
        <MenuChoices value={single ? (single.priority ?? 'normal') : ''}>
          {PRIORITY_NAMES.map(([name, label]) => (
            <MenuChoice
              key={name}
              value={name}
              label={label}
              onSelect={() => one({ do: 'priority', priority: name === 'normal' ? null : name })}
            />
          ))}
        </MenuChoices>
      </MenuInside>
      <MenuEntry label="To tomorrow" hint={hint('row-tomorrow')} onSelect={() => one({ do: 'push', to: 'tomorrow' })} />
      <MenuEntry label="Plan…" hint={hint('row-plan')} onSelect={() => ask({ is: 'day', tasks, what: 'plan' })} />
      <MenuEntry label="Due…" hint={hint('row-due')} onSelect={() => ask({ is: 'day', tasks, what: 'due' })} />
      <MenuEntry label="Rest…" hint={hint('row-rest')} onSelect={() => ask({ is: 'day', tasks, what: 'rest' })} />
      <MenuEntry
        label={isNotNow(rows, notNow) ? 'Take up again' : 'Not now'}
        hint={hint('row-not-now')}
        onSelect={() => one(notNowIntention(rows, notNow))}
      />
      {rows.length === 2 && rows[1] && (
        <MenuEntry
          label="Swap their days"
          onSelect={() => rows[1] && one({ do: 'swap', with: { path: rows[1].path, line: rows[1].line, expected: rows[1].raw } })}
        />
      )}
      <MenuEntry label="Tags, people, links, owner…" hint={hint('row-names')} onSelect={() => ask({ is: 'names', tasks })} />
      <MenuEntry label="Raise with…" hint={hint('row-to-raise')} onSelect={() => ask({ is: 'raise', tasks })} />
      <MenuLine />
      {isOutside ? null : (
        <MenuInside label="Outside list">
          <OutsideEntries rows={rows} tasks={tasks} onAsk={() => ask({ is: 'onto', tasks })} />
        </MenuInside>
      )}
      {!isOutside && single && (
        <MenuEntry label="Lend…" onSelect={() => ask({ is: 'lend', what: 'task', ref: dialogTask(single).ref, title: single.text })} />
      )}
      {!isOutside && (
        <MenuEntry label="Move to a note…" hint={hint('row-move')} onSelect={() => ask({ is: 'place', tasks, what: 'move' })} />
      )}
      {isOutside ? null : rows.every(({ kind }) => kind === 'archive') ? (
        <MenuEntry label="Bring back to its note" onSelect={() => void bringBack(tasks)} />
      ) : (
        <MenuEntry label="Archive…" hint={hint('row-archive')} onSelect={() => ask({ is: 'archive', refs: tasks.map(({ ref }) => ref) })} />
      )}
      {!isOutside && <MenuEntry label="Make an echo elsewhere…" onSelect={() => ask({ is: 'place', tasks, what: 'echo' })} />}
      <MenuEntry label="Duplicate" onSelect={() => one({ do: 'duplicate' })} />
      <MenuInside label="Copy">
        <MenuEntry label="As text" onSelect={() => void copyText(rows.map((row) => row.raw.trim()).join('\n'))} />
        <MenuEntry label="As a link, for a text" onSelect={() => void copyLinks('text')} />
        <MenuEntry label="As a web address" onSelect={() => void copyLinks('address')} />
      </MenuInside>
      <MenuEntry label="Delete" hint={hint('row-delete')} danger onSelect={() => one({ do: 'delete' })} />
      {children}
    </>
  );
}
