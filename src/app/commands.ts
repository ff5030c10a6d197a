import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Command } from '../features/commands/command';
import { COMMANDS, type CommandId } from '../features/commands/definitions';
import { useCommandKeys } from '../features/commands/use-key-of';
import { useExport } from '../features/exchange/use-export';
import { dayAddress, noteAddress } from '../features/session/places/addresses';
import { frameSlice } from '../features/session/state/frame-slice';
import { useServices } from '../features/session/state/services';
import { useAppDispatch } from '../features/session/state/state';
import { useRedo, useUndo } from '../features/session/acting/use-act';
import { runOnRow, noteRun, runInText } from '../features/session/places/page-commands';

/** What every command does, with its key; the menu of commands and the keys come from here. */
export function useCommands(): Command[] {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const undo = useUndo();
  const redo = useRedo();
  const exportAll = useExport();
  const keys = useCommandKeys();
  const { clock } = useServices();
  return useMemo((): Command[] => {
    const { toggled, dialogShown, besideChosen } = frameSlice.actions;
    const runs: Partial<Record<CommandId, () => void>> = {
      menu: () => dispatch(dialogShown({ is: 'commands' })),
      undo: () => void undo(),
      redo: () => void (runInText('redo') || redo()),
      journal: () => void navigate(dayAddress(clock.now().day)),
      today: () => void navigate(noteAddress('Agenda/Today.md')),
      page: focusPage,
      rack: () => dispatch(toggled('rackOpen')),
      beside: () => dispatch(toggled('besideOpen')),
      'this-note': () => dispatch(besideChosen({ is: 'note' })),
      outline: () => dispatch(besideChosen({ is: 'outline' })),
      why: () => dispatch(besideChosen({ is: 'why' })),
      'new-note': () => dispatch(dialogShown({ is: 'new-note' })),
      import: () => dispatch(dialogShown({ is: 'import' })),
      export: () => void exportAll(),
      settings: () => void navigate('/settings'),
      keys: () => void navigate('/settings#keys'),
      print: () => window.print(),
    };
    return COMMANDS.flatMap((command): Command[] => {
      const key = keys.get(command.id) ?? null;
      const run = runs[command.id];
      const base = { id: command.id, title: command.title, key, heard: command.scope === 'everywhere' || command.scope === 'note' };
      if (command.id === 'undo' || command.id === 'redo') return run ? [{ ...base, when: () => !isWriting(), run }] : [];
      if (run) return [{ ...base, run }];
      if (command.scope === 'note') return [{ ...base, when: () => noteRun(command.id) !== undefined, run: () => noteRun(command.id)?.() }];
      // Commands of the text run on the editor that is on the page; those of lists on the focused row.
      if (command.scope === 'list') return [{ ...base, when: () => runOnRow() !== null, run: () => runOnRow()?.(command.id) }];
      return [{ ...base, when: () => runOnRow() === null && runInText(command.id, true), run: () => void runInText(command.id) }];
    });
  }, [navigate, dispatch, undo, redo, exportAll, keys, clock]);
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
