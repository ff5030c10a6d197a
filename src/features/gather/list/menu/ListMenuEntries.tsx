import { useNavigate } from 'react-router';
import { askAddress, throughAddress } from '../../../session/places/addresses';
import type { GroupKeyName } from '../../../../core/gather/language/ast';
import { formText, groupKeyText, orderKeyText } from '../../../../core/gather/saying/print';
import { MenuCheck, MenuChoice, MenuChoices, MenuEntry, MenuInside, MenuLine } from '../../../../ui/menu/menu';
import { frameSlice } from '../../../session/state/frame-slice';
import { useAppDispatch } from '../../../session/state/state';
import type { KeptGather } from '../../../session/acting/task-dialog';
import type { ShownGather } from '../../use-gather';

export interface ListMenuProps {
  /** Where it is kept; null for one that stands in no note. */
  kept: KeptGather | null;
  shown: ShownGather;
  at: string | null;
  sentenceShown: boolean;
  onSentence: (shown: boolean) => void;
  /** Opens the text of the gather; null where it has none of its own. */
  onEdit: (() => void) | null;
}

const GROUPS: GroupKeyName[] = ['note', 'tag', 'person', 'owner', 'priority', 'status', 'period', 'week', 'due', 'heading'];
const NOTE_GROUPS: GroupKeyName[] = ['kind', 'path', 'tag', 'about', 'state', 'level'];
const ORDERS = ['priority', 'due', 'plan', 'made', 'takes', 'note', 'text'];
const NOTE_ORDERS = ['title', 'date', 'due', 'open', 'progress', 'path'];
const FORMS: [string, string][] = [
  ['list', 'List'],
  ['table', 'Table'],
  ['month', 'Month'],
  ['weeks', 'Weeks'],
  ['board by status', 'Board by status'],
  ['board by tag', 'Board by tag'],
  ['board by person', 'Board by person'],
  ['board by priority', 'Board by priority'],
  ['board by period', 'Board by time'],
  ['board by heading', 'Board by heading'],
  ['bars of count by week', 'Bars by week'],
  ['bars of takes by tag', 'Bars of time by tag'],
  ['curve of open by week', 'Curve of what is open'],
  ['summary by note', 'Summary by note'],
  ['summary by tag', 'Summary by tag'],
  ['summary by person', 'Summary by person'],
  ['summary by about', 'Summary by link'],
];

/** What stands in the menu of a list. */
export function ListMenuEntries({ shown, kept, at, sentenceShown, onSentence, onEdit }: ListMenuProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { gather, change } = shown;
  const ofNotes = gather.from === 'notes' || gather.from === 'meetings';
  const group = gather.form?.is === 'summary' ? '' : gather.groupBy.map(groupKeyText).join(', ') || 'none';
  const order = gather.orderBy?.map(orderKeyText).join(', ') ?? 'usual';
  const form = gather.form ? formText(gather.form) : 'list';
  return (
    <>
      <MenuCheck label="Say what it asks" checked={sentenceShown} onChange={onSentence} />
      <MenuEntry
        label="Why is one here, or missing?"
        onSelect={() => dispatch(frameSlice.actions.whyAsked({ task: null, gather: shown.text, at, kept }))}
      />
      {gather.from === 'tasks' && (
        <MenuEntry label="Go through it, one after the other" onSelect={() => void navigate(throughAddress(shown.text, at))} />
      )}
      {gather.from === 'tasks' && (
        <MenuEntry
          label="Archive what is finished here…"
          onSelect={() => dispatch(frameSlice.actions.dialogShown({ is: 'archive', gather: { text: shown.text, at } }))}
        />
      )}
      <MenuEntry
        label="Take out…"
        onSelect={() =>
          dispatch(
            frameSlice.actions.dialogShown({
              ...{ is: 'take-out', what: 'lists', texts: [shown.text], at, title: gather.title ?? 'Tasks' },
              ...(gather.columns && { columns: ['task', ...gather.columns] }),
            }),
          )
        }
      />
      <MenuEntry
        label="Lend…"
        onSelect={() =>
          dispatch(frameSlice.actions.dialogShown({ is: 'lend', what: 'list', text: shown.text, at, title: gather.title ?? 'Tasks' }))
        }
      />
      <MenuEntry label="Select tasks" onSelect={() => dispatch(frameSlice.actions.selectingChanged(true))} />
      <MenuLine />
      <MenuInside label="Group by">
        <MenuChoices value={group}>
          <MenuChoice value="none" label="nothing" onSelect={() => change('group', null)} />
          {(ofNotes ? NOTE_GROUPS : GROUPS).map((key) => (
            <MenuChoice key={key} value={key} label={key} onSelect={() => change('group', `group by ${key}`)} />
          ))}
          <MenuLine />
          {['note', 'tag', 'person'].map((key) => (
            <MenuChoice
              key={key}
              value={`${key} by count`}
              label={`${key}, fullest first`}
              onSelect={() => change('group', `group by ${key} by count`)}
            />
          ))}
        </MenuChoices>
      </MenuInside>
      <MenuInside label="Order by">
        <MenuChoices value={order}>
          <MenuChoice value="usual" label="the usual order" onSelect={() => change('order', null)} />
          {(ofNotes ? NOTE_ORDERS : ORDERS).map((key) => (
            <MenuChoice key={key} value={key} label={key} onSelect={() => change('order', `order by ${key}`)} />
          ))}
        </MenuChoices>
      </MenuInside>
      <MenuInside label="Show as">
        <MenuChoices value={form}>
          {FORMS.filter(([words]) => !ofNotes || !/note|person|bars|curve/.test(words)).map(([words, label]) => (
            <MenuChoice key={words} value={words} label={label} onSelect={() => change('as', words === 'list' ? null : `as ${words}`)} />
          ))}
        </MenuChoices>
      </MenuInside>
      <MenuCheck
        label="Bring in what rests"
        checked={gather.includingResting}
        onChange={(on) => change('including', on ? 'including resting' : null)}
      />
      <MenuLine />
      <MenuEntry label="Change it by pointing" onSelect={() => void navigate(askAddress(shown.text), { state: { kept } })} />
      {onEdit && (
        <>
          <MenuLine />
          <MenuEntry label="Edit the text" onSelect={onEdit} />
        </>
      )}
    </>
  );
}
