import { type RefObject, useEffect } from 'react';
import type { Status } from '../../../core/task/line/status';
import type { Task } from '../../../core/task/line/task';
import type { LineRef } from '../../../core/task/writing/edit';
import { useLatest } from '../../../ui/use-latest';
import { actionContext } from '../../session/acting/action-context';
import { refuse } from '../../session/telling/messages';
import type { AskedDialog, DialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import { askCard } from '../../note/links/card-place';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';
import type { TextHost } from '../commands/text-host';
import { raiseLine } from '../commands/task-commands';
import { tickLines } from '../editing/tick-lines';
import { useMeetingOfLine } from '../../meeting/making/use-meeting-of-line';
import { closeUpAt, partTitle } from '../folding/close-up';
import { noteNow } from '../reading/note-field';
import type { OpenEditor } from './open-editor';

interface Hosting {
  path: string;
  /** Whether a finished line goes to the end of its list. */
  sinks: boolean;
  /** Shows the item or heading on a line (from 0) alone; null shows all. */
  closeOn: (line: number | null) => void;
  /** The line (from 0) of what is around what is shown alone; null for all. */
  wider: () => number | null;
  insertMenu: () => void;
  makeNote: (title: string, line: number) => void;
  makePerson: (handle: string) => void;
}

/** What the commands of the text ask of the page: ticks that reach other notes, dialogs, the close-up, messages. */
export function useTextHost(host: RefObject<TextHost | null>, editor: RefObject<OpenEditor | null>, hosting: Hosting): void {
  const { clock } = useServices();
  const dispatch = useAppDispatch();
  const { actAll } = useAct();
  const makeMeeting = useMeetingOfLine();
  const latest = useLatest({
    ...hosting,
    settings: useAppSelector((state) => state.settings),
    statuses: useAppSelector((state) => state.library.overview?.statuses),
    actAll,
    makeMeeting,
  });
  useEffect(() => {
    const open = editor.current;
    if (!open) return;
    const { view, open: text, order } = open;
    const dialogTask = ({ line, raw, text: words }: Pick<Task, 'line' | 'raw' | 'text'>): DialogTask => ({
      ref: { path: latest.current.path, line, expected: raw },
      text: words,
    });
    const elsewhere = (tasks: readonly { task: Task; openSteps: number }[], status: Status): void => {
      const all = tasks.map(({ task, openSteps }) => ({ ...dialogTask(task), openSteps }));
      void latest.current.actAll(all, [{ do: 'status', status }]);
    };
    const context = () => actionContext(latest.current.settings, clock.now(), latest.current.statuses);
    const ask = (dialog: AskedDialog): void => {
      // What is written goes first, so that the answer finds the lines as they stand here.
      void text.save().then(() => dispatch(frameSlice.actions.dialogShown(dialog)));
    };
    const refAt = (offset: number): LineRef => {
      const { number, text: expected } = view.state.doc.lineAt(offset);
      return { path: latest.current.path, line: number - 1, expected };
    };
    host.current = {
      context,
      tick: (lines) =>
        void tickLines(view, lines, {
          settle: () => text.settle(),
          context: context(),
          sinks: latest.current.sinks,
          elsewhere,
          saveStep: (label) => {
            order.savesStep();
            void text.save(label);
          },
          told: (reason) => refuse(reason),
        }),
      raise: (line) => raiseLine(view, line, context()),
      details: (line) => {
        const raw = view.state.doc.line(line + 1).text;
        ask({ is: 'details', task: dialogTask({ line, raw, text: raw }) });
      },
      dates: (tasks, what) => ask({ is: 'day', tasks: tasks.map(dialogTask), what }),
      names: (tasks) => ask({ is: 'names', tasks: tasks.map(dialogTask) }),
      onto: (tasks) => ask({ is: 'onto', tasks: tasks.map(dialogTask) }),
      remark: (tasks, status) => ask({ is: 'remark', tasks: tasks.map(dialogTask), status }),
      closeUp: (line) => {
        const range = closeUpAt(view.state, line);
        latest.current.closeOn(range && view.state.doc.lineAt(range.from).number - 1);
      },
      takeOut: (line) => {
        const range = closeUpAt(view.state, line) ?? { from: view.state.doc.line(line + 1).from, to: view.state.doc.line(line + 1).to };
        const ref = refAt(range.from);
        ask({ is: 'take-out', what: 'lines', ref, title: partTitle(ref.expected) || ref.path });
      },
      lend: (line) => {
        const range = closeUpAt(view.state, line);
        if (!range) return refuse('Only an item, a section or a note can be lent.');
        const ref = refAt(range.from);
        ask({ is: 'lend', what: 'line', ref, title: partTitle(ref.expected) || ref.path });
      },
      wider: () => latest.current.closeOn(latest.current.wider()),
      insertMenu: () => latest.current.insertMenu(),
      card: () => {
        const { node } = view.domAtPos(view.state.selection.main.head);
        const at = node instanceof Element ? node : node.parentElement;
        const link = at?.closest('[data-link], [data-name]') ?? at?.querySelector('[data-link], [data-name]');
        return link != null && askCard(link);
      },
      makeNote: (title, line) => void text.save().then(() => latest.current.makeNote(title, line)),
      makePerson: (handle) => latest.current.makePerson(handle),
      makeMeeting: (line) => {
        const { journal, front } = noteNow(view.state);
        const day = journal ?? front.date ?? clock.now().day;
        const words = view.state.doc.line(line + 1).text;
        void text.save().then(() => latest.current.makeMeeting({ path: latest.current.path, line, expected: words }, day));
      },
      raiseTag: () => latest.current.settings.raiseTag,
      notNowTag: () => latest.current.settings.notNowTag,
      told: (reason) => refuse(reason),
      undo: () => order.undo(),
      redo: () => order.redo(),
    };
    return () => {
      host.current = null;
    };
  }, [host, editor, latest, clock, dispatch]);
}
