import { Suspense, lazy, useEffect } from 'react';
import type { Command } from '../features/commands/command';
import type { GivenFile } from '../features/exchange/read-files';
import { frameSlice } from '../features/session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../features/session/state/state';

const ArchiveDialog = lazy(() => import('../features/archive/ArchiveDialog').then((part) => ({ default: part.ArchiveDialog })));
const CommandMenu = lazy(() => import('../features/commands/CommandMenu').then((part) => ({ default: part.CommandMenu })));
const ImportDialog = lazy(() => import('../features/exchange/ImportDialog').then((part) => ({ default: part.ImportDialog })));
const NewNoteDialog = lazy(() => import('../features/note/NewNoteDialog').then((part) => ({ default: part.NewNoteDialog })));
const CarryDialog = lazy(() => import('../features/journal/CarryDialog').then((part) => ({ default: part.CarryDialog })));
const MonthDialog = lazy(() => import('../features/journal/MonthDialog').then((part) => ({ default: part.MonthDialog })));
const NewReviewDialog = lazy(() => import('../features/review/NewReviewDialog').then((part) => ({ default: part.NewReviewDialog })));
const PinDialog = lazy(() => import('../features/rack/PinDialog').then((part) => ({ default: part.PinDialog })));
const RemindersDialog = lazy(() => import('../features/reminders/RemindersDialog').then((part) => ({ default: part.RemindersDialog })));
const slipDialog = () => import('../features/slip/SlipDialog');
const SlipDialog = lazy(() => slipDialog().then((part) => ({ default: part.SlipDialog })));
const TaskDialogs = lazy(() => import('../features/task-dialogs/TaskDialogs').then((part) => ({ default: part.TaskDialogs })));
const UnsavedDialog = lazy(() => import('../features/strip/UnsavedDialog').then((part) => ({ default: part.UnsavedDialog })));

/** When the slip is fetched ahead, in milliseconds after the page is drawn. */
const SLIP_AHEAD = 1500;

interface DialogHostProps {
  commands: Command[];
  /** Files that were dropped on the window, for the import; and what lets go of them. */
  given: GivenFile[] | null;
  onClosed: () => void;
}

/** The dialog that is asked for, from whatever place; each is loaded when it is asked for first. */
export function DialogHost({ commands, given, onClosed }: DialogHostProps) {
  const asked = useAppSelector((state) => state.frame.dialog);
  const dispatch = useAppDispatch();
  const close = (): void => {
    dispatch(frameSlice.actions.dialogShown(null));
    onClosed();
  };
  // A thought does not wait for a part of the program: the slip is there before it is asked for.
  useEffect(() => {
    const timer = setTimeout(() => void slipDialog().catch(() => undefined), SLIP_AHEAD);
    return () => clearTimeout(timer);
  }, []);
  const shown = (): React.ReactNode => {
    if (!asked) return null;
    switch (asked.is) {
      case 'commands':
        return <CommandMenu open commands={commands} onClose={close} />;
      case 'new-note':
        return <NewNoteDialog open asked={asked} onClose={close} />;
      case 'archive':
        return <ArchiveDialog asked={asked} onClose={close} />;
      case 'import':
        return <ImportDialog open given={given} onClose={close} />;
      case 'new-review':
        return <NewReviewDialog onClose={close} />;
      case 'carry':
        return <CarryDialog onClose={close} />;
      case 'month':
        return <MonthDialog day={asked.day ?? null} onClose={close} />;
      case 'reminders':
        return <RemindersDialog onClose={close} />;
      case 'pin':
        return <PinDialog address={asked.address} onClose={close} />;
      case 'slip':
        return <SlipDialog key={asked.typed ?? ''} asked={asked} onClose={close} />;
      case 'unsaved':
        return <UnsavedDialog onClose={close} />;
      default:
        return <TaskDialogs asked={asked} onClose={close} />;
    }
  };
  return <Suspense fallback={null}>{shown()}</Suspense>;
}
