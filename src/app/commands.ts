import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Command } from '../features/commands/command';
import { useExport } from '../features/exchange/use-export';
import { dayAddress, noteAddress } from '../features/session/addresses';
import { frameSlice } from '../features/session/frame-slice';
import { useServices } from '../features/session/services';
import { useAppDispatch } from '../features/session/state';
import { useUndo } from '../features/session/use-act';

/** The one registry of commands and their keys; the menu, the keys and the help come from it. */
export function useCommands(): Command[] {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const undo = useUndo();
  const exportAll = useExport();
  const { clock } = useServices();
  return useMemo((): Command[] => {
    const { toggled, dialogShown, besideChosen } = frameSlice.actions;
    return [
      { id: 'menu', title: 'Show all commands and notes', key: 'Mod+k', run: () => dispatch(dialogShown('commands')) },
      { id: 'undo', title: 'Undo the last action', key: 'Mod+z', when: () => !isWriting(), run: () => void undo() },
      { id: 'journal', title: 'Go to today’s journal page', key: 'F2', run: () => void navigate(dayAddress(clock.now().day)) },
      { id: 'today', title: 'Go to the agenda page Today', key: 'F4', run: () => void navigate(noteAddress('Agenda/Today.md')) },
      { id: 'page', title: 'Put the cursor into the page', key: 'F6', run: focusPage },
      { id: 'new-note', title: 'New note', key: null, run: () => dispatch(dialogShown('new-note')) },
      { id: 'rack', title: 'Show or hide the rack', key: 'F8', run: () => dispatch(toggled('rackOpen')) },
      { id: 'beside', title: 'Show or hide the beside panel', key: 'F9', run: () => dispatch(toggled('besideOpen')) },
      { id: 'this-note', title: 'Show this note’s tasks beside it', key: null, run: () => dispatch(besideChosen({ is: 'note' })) },
      { id: 'import', title: 'Import notes', key: null, run: () => dispatch(dialogShown('import')) },
      { id: 'export', title: 'Export everything as a zip', key: null, run: () => void exportAll() },
      { id: 'settings', title: 'Settings', key: null, run: () => void navigate('/settings') },
      { id: 'print', title: 'Print this page', key: null, run: () => window.print() },
    ];
  }, [navigate, dispatch, undo, exportAll, clock]);
}

/** In a field or in the editor, Undo is that field's own. */
function isWriting(): boolean {
  const { activeElement } = document;
  return (
    activeElement instanceof HTMLElement && (activeElement.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(activeElement.tagName))
  );
}

function focusPage(): void {
  const page = document.getElementById('page');
  (page?.querySelector<HTMLElement>('.cm-content, .task-mark, a, button, input') ?? page)?.focus();
}
