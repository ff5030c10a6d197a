import { useEffect, useLayoutEffect } from 'react';
import type { Command } from '../features/commands/command';
import type { GivenFile } from '../engine/files/read-given';
import { ROUTES } from '../features/session/places/routes';
import { frameSlice } from '../features/session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../features/session/state/state';
import { holdKeys } from '../ui/input/early-keys';
import { late } from '../ui/late';

const ArchiveDialog = late(() => import('../features/keep/archive/ArchiveDialog').then((part) => part.ArchiveDialog));
const CommandMenu = late(() => import('../features/commands/CommandMenu').then((part) => part.CommandMenu));
const BringInDialog = late(() => import('../features/files/in/BringInDialog').then((part) => part.BringInDialog));
const NewNoteDialog = late(() => import('../features/note/making/NewNoteDialog').then((part) => part.NewNoteDialog));
const CarryDialog = late(() => import('../features/pages/journal/CarryDialog').then((part) => part.CarryDialog));
const MonthDialog = late(() => import('../features/pages/journal/MonthDialog').then((part) => part.MonthDialog));
const NewReviewDialog = late(() => import('../features/pages/review/NewReviewDialog').then((part) => part.NewReviewDialog));
const PrintDialog = late(() => import('../features/files/print/PrintDialog').then((part) => part.PrintDialog));
const LendDialog = late(() => import('../features/sharing/lend/LendDialog').then((part) => part.LendDialog));
const OntoDialog = late(() => import('../features/sharing/outside/OntoDialog').then((part) => part.OntoDialog));
const PinDialog = late(() => import('../features/frame/rack/PinDialog').then((part) => part.PinDialog));
const RemindersDialog = late(() => import('../features/day/reminders/RemindersDialog').then((part) => part.RemindersDialog));
const SealDialog = late(() => import('../features/sharing/seal/forms/SealDialog').then((part) => part.SealDialog));
const slipDialog = () => import('../features/slip/SlipDialog');
const SlipDialog = late(() => slipDialog().then((part) => part.SlipDialog));
const TakeOutDialog = late(() => import('../features/files/out/TakeOutDialog').then((part) => part.TakeOutDialog));
const TaskDialogs = late(() => import('../features/task-dialogs/TaskDialogs').then((part) => part.TaskDialogs));
const UnsavedDialog = late(() => import('../features/frame/strip/UnsavedDialog').then((part) => part.UnsavedDialog));

// Come for a slip, one waits for nothing else.
if (window.location.pathname === ROUTES.slip) void slipDialog().catch(() => undefined);

/** When the slip is fetched ahead, in milliseconds after the notes are read. */
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
  const isRead = useAppSelector((state) => state.library.overview !== null);
  // A thought does not wait for a part of the program: the slip is there before it is asked for. What the page is for goes before it.
  useEffect(() => {
    if (!isRead) return;
    const timer = setTimeout(() => void slipDialog().catch(() => undefined), SLIP_AHEAD);
    return () => clearTimeout(timer);
  }, [isRead]);
  // Letters of a thought do not go to what lies under it while it is loaded and drawn.
  useLayoutEffect(() => {
    if (asked !== null) holdKeys();
  }, [asked]);
  const shown = (): React.ReactNode => {
    if (!asked) return null;
    switch (asked.is) {
      case 'commands':
        return <CommandMenu open commands={commands} onClose={close} />;
      case 'new-note':
        return <NewNoteDialog open asked={asked} onClose={close} />;
      case 'archive':
        return <ArchiveDialog asked={asked} onClose={close} />;
      case 'take-out':
        return <TakeOutDialog asked={asked} onClose={close} />;
      case 'print':
        return <PrintDialog onClose={close} />;
      case 'import':
        return <BringInDialog open given={given} onClose={close} />;
      case 'new-review':
        return <NewReviewDialog onClose={close} />;
      case 'carry':
        return <CarryDialog onClose={close} />;
      case 'month':
        return <MonthDialog day={asked.day ?? null} onClose={close} />;
      case 'reminders':
        return <RemindersDialog onClose={close} />;
      case 'lend':
        return <LendDialog asked={asked} onClose={close} />;
      case 'onto':
        return <OntoDialog asked={asked} onClose={close} />;
      case 'seal':
        return <SealDialog asked={asked} onClose={close} />;
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
  return shown();
}
