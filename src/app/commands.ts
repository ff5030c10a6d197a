import { useMemo } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { type Day, readIsoDay } from '../core/calendar/day';
import type { Command } from '../features/commands/command';
import { COMMANDS, type IdIn } from '../features/commands/definitions';
import { useCommandKeys } from '../features/commands/use-key-of';
import {
  type DayView,
  dayAddress,
  askAddress,
  brainstormAddress,
  helpAddress,
  noteAddress,
  keepAddress,
  lentAddress,
  outsideAddress,
  settingsAddress,
} from '../features/session/places/addresses';
import { useCloseSeals } from '../features/sharing/seal/use-close-seals';
import { slipDraft } from '../features/slip/slip-draft';
import { holdKeys } from '../ui/input/early-keys';
import { useHandRuns } from '../features/frame/strip/use-hand-runs';
import { usePinCommands } from '../features/frame/rack/use-pin-commands';
import { useNewMeeting } from '../features/meeting/making/use-new-meeting';
import { useSlipCommands } from '../features/slip/use-slip-commands';
import { ROUTES, restOf } from '../features/session/places/routes';
import { frameSlice } from '../features/session/state/frame-slice';
import { useServices } from '../features/session/state/services';
import { type RootState, useAppDispatch, useAppSelector } from '../features/session/state/state';
import { UNTITLED } from '../features/note/making/untitled';
import { refuse, say } from '../features/session/telling/messages';
import { type Side, hasRoom } from './use-room';
import { useRedo, useUndo } from '../features/session/acting/use-act';

/** What every command does, with its key; the menu of commands and the keys come from here. */
export function useCommands(): Command[] {
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const store = useStore<RootState>();
  const undo = useUndo();
  const redo = useRedo();
  const keys = useCommandKeys();
  const { store: notes, clock, actions, places, commands: desk } = useServices();
  const sides = useAppSelector((state) => state.settings.sides);
  const hand = useHandRuns();
  const slips = useSlipCommands();
  const pins = usePinCommands();
  const newMeeting = useNewMeeting();
  const closeSeals = useCloseSeals();
  return useMemo((): Command[] => {
    const { toggled, sheetShown, dialogShown, besideChosen, sideToggled } = frameSlice.actions;
    const side = (place: number): void => {
      const there = sides[place];
      if (there) dispatch(sideToggled(there.name));
      else say(sides.length === 0 ? 'The settings name no sides yet.' : `There are ${sides.length} sides.`);
    };
    const panel = (part: Side, open: 'rackOpen' | 'besideOpen'): void => {
      const { settings, frame } = store.getState();
      if (hasRoom(part, settings.textSize)) dispatch(toggled(open));
      else dispatch(sheetShown(frame.sheet === part ? null : part));
    };
    const turnDay = (view: DayView): void => {
      const day = dayShown(clock.now().day);
      const isShown = window.location.pathname + window.location.search === dayAddress(day, view);
      void navigate(dayAddress(day, isShown ? undefined : view));
    };
    const everywhere: Record<IdIn<'everywhere'>, () => void> = {
      slip: () => {
        holdKeys(slipDraft.keep);
        dispatch(dialogShown({ is: 'slip' }));
      },
      menu: () => dispatch(dialogShown({ is: 'commands' })),
      find: () => {
        if (window.location.pathname === ROUTES.find) document.querySelector<HTMLElement>('#page input[type=search]')?.focus();
        else {
          holdKeys();
          void navigate(ROUTES.find);
        }
      },
      back: () => void navigate(-1),
      forth: () => void navigate(1),
      'last-written': () => {
        const cursor = places.written;
        if (cursor === null) say('Nothing was written yet.');
        else void navigate(noteAddress(cursor.path), { state: { cursor } });
      },
      undo: () => void undo(),
      redo: () => void redo(),
      journal: () => void navigate(dayAddress(clock.now().day)),
      today: () => void navigate(noteAddress('Agenda/Today.md')),
      begin: hand.begin,
      finish: hand.finish,
      'plan-day': () => turnDay('plan'),
      'week-hours': () => turnDay('week'),
      carry: () => dispatch(dialogShown({ is: 'carry' })),
      'day-before': () => void navigate(dayAddress(dayShown(clock.now().day) - 1)),
      'day-after': () => void navigate(dayAddress(dayShown(clock.now().day) + 1)),
      days: () => void navigate(ROUTES.days),
      month: () => dispatch(dialogShown({ is: 'month' })),
      page: focusPage,
      rack: () => panel('rack', 'rackOpen'),
      beside: () => panel('beside', 'besideOpen'),
      'this-note': () => dispatch(besideChosen({ is: 'note' })),
      outline: () => dispatch(besideChosen({ is: 'outline' })),
      leads: () => dispatch(besideChosen({ is: 'leads' })),
      hours: () => dispatch(besideChosen({ is: 'hours' })),
      why: () => dispatch(besideChosen({ is: 'why' })),
      'side-1': () => side(0),
      'side-2': () => side(1),
      'side-3': () => side(2),
      'side-4': () => side(3),
      'empty-note': () =>
        void actions.create('', UNTITLED, '').then((made) => ('refused' in made ? refuse(made.refused) : navigate(noteAddress(made.path)))),
      'new-meeting': () => void newMeeting(),
      'new-review': () => dispatch(dialogShown({ is: 'new-review' })),
      brainstorm: () => void navigate(brainstormAddress()),
      'new-note': () => dispatch(dialogShown({ is: 'new-note' })),
      files: () => void navigate(ROUTES.files),
      lent: () => void navigate(lentAddress()),
      outside: () => void navigate(outsideAddress()),
      'outside-look': () => void import('../features/sharing/outside/look-now').then(({ lookNow }) => lookNow(notes)),
      'seal-open': () => dispatch(dialogShown({ is: 'seal', what: 'open' })),
      'seal-close': closeSeals,
      import: () => dispatch(dialogShown({ is: 'import' })),
      keep: () => void navigate(keepAddress()),
      settings: () => void navigate(settingsAddress()),
      keys: () => void navigate(settingsAddress('keys')),
      ask: () => void navigate(askAddress('')),
      help: () => void navigate(helpAddress()),
      'stored-text': () => {
        void import('../features/session/places/stored-text').then(({ storedTextFrom }) => {
          const address = storedTextFrom(window.location, store.getState().library.overview, store.getState().frame.journal);
          if (address === null) say('No note holds the text of this page.');
          else void navigate(address);
        });
      },
      print: () => dispatch(dialogShown({ is: 'print' })),
    };
    const own = COMMANDS.map((command): Command => {
      const { id, title, scope } = command;
      const base = { id, title, key: keys.get(id) ?? null, heard: scope === 'everywhere' || scope === 'note' };
      switch (scope) {
        case 'everywhere':
          // In a field or in the editor, Undo is that field's own.
          return { ...base, ...((id === 'undo' || id === 'redo') && { keyWhen: () => !isWriting() }), run: everywhere[id] };
        case 'note':
          return { ...base, when: () => Boolean(desk.note?.[id]), run: () => desk.note?.[id]?.() };
        case 'list':
          return { ...base, when: () => desk.row !== null, run: () => desk.row?.run(id) };
        case 'text':
          return { ...base, when: () => desk.row === null && desk.text !== null, run: () => void desk.text?.run(id) };
      }
    });
    return [...own, ...slips, ...pins];
  }, [navigate, dispatch, store, notes, undo, redo, keys, clock, actions, places, desk, hand, sides, slips, pins, newMeeting, closeSeals]);
}

/** The day whose journal page is shown; today on any other page. */
const dayShown = (today: Day): Day => readIsoDay(restOf('day', window.location.pathname) ?? '') ?? today;

function isWriting(): boolean {
  const { activeElement } = document;
  return (
    activeElement instanceof HTMLElement && (activeElement.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/.test(activeElement.tagName))
  );
}

function focusPage(): void {
  const page = document.getElementById('page');
  // The text before the head of the page, whatever stands first.
  const wanted = ['.cm-content', '.task-mark', 'a, button, input'].map((sign) => page?.querySelector<HTMLElement>(sign));
  (wanted.find((found) => found != null) ?? page)?.focus();
}
