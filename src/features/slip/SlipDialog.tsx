import { ChevronDown, ImagePlus } from 'lucide-react';
import { type KeyboardEvent, useEffect, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { foldPath } from '../../core/note/names/path';
import type { OwnSlip } from '../../core/slip/own-slip';
import type { SlipField } from '../../core/slip/slip-line';
import { Dialog } from '../../ui/Dialog';
import { BY_TOUCH } from '../../ui/input/by-touch';
import { isAsking } from '../../ui/asking';
import { takeKeys } from '../../ui/input/early-keys';
import { Menu, MenuChoice, MenuChoices } from '../../ui/menu/menu';
import { useLatest } from '../../ui/use-latest';
import type { AskedDialog } from '../session/acting/task-dialog';
import { refuse, say } from '../session/telling/messages';
import { useNoteOnPage } from '../session/places/use-note-on-page';
import { choosePictures } from '../note/pictures/choose-pictures';
import { picturesAmong } from '../note/pictures/pictures-among';
import { frameSlice } from '../session/state/frame-slice';
import { useNow, useServices } from '../session/state/services';
import { useAppDispatch, useAppSelector } from '../session/state/state';
import { NEW_PROJECT, type Project, ProjectChoice } from './project/ProjectChoice';
import { SeveralLines } from './SeveralLines';
import { SlipFields } from './SlipFields';
import { SlipSentence } from './SlipSentence';
import { leftAfter } from './left-parts';
import type { SlipState } from './read-slip';
import { slipDraft } from './slip-draft';
import { type ShownSlip, useSlipRead } from './use-slip-read';
import { useStands } from './use-stands';
import { useStoreProject } from './project/use-store-project';
import { useStoreSlip } from './use-store-slip';
import { Labelled } from '../../ui/form/Labelled';

interface SlipDialogProps {
  asked: Extract<AskedDialog, { is: 'slip' }>;
  onClose: () => void;
}

/** A slip: one field, what was understood as a sentence, and where it lands. Enter stores it; the person is back where they were. */
export function SlipDialog({ asked, onClose }: SlipDialogProps) {
  const [state, setState] = useState(() => firstState(asked.typed));
  const leave = (): void => {
    slipDraft.keep(state.typed);
    onClose();
  };
  useKeptOnLeaving(state.typed);
  const own = useOwnSlips();
  const dispatch = useAppDispatch();
  const chosen = own.find(({ path }) => path === asked.slip) ?? null;
  const choose = (slip?: string): void => {
    const { typed } = asked;
    dispatch(frameSlice.actions.dialogShown({ is: 'slip', ...(typed !== undefined && { typed }), ...(slip !== undefined && { slip }) }));
  };
  const refused = (reason: string, typed: string): void => {
    const again = (): void => void dispatch(frameSlice.actions.dialogShown({ ...asked, typed }));
    // What is being asked by now is not pushed away.
    if (isAsking()) {
      say(`${reason} Not stored: ${typed}`, { is: 'refused', lasts: 120_000, action: { words: 'Show the slip', act: again } });
      return;
    }
    slipDraft.keep(typed);
    refuse(`${reason} Its words are in the slip again.`);
    again();
  };
  const kinds = (
    <span className="flex items-baseline gap-1">
      A slip{own.length > 0 && ' ·'}
      {own.length > 0 && (
        <Menu
          align="start"
          trigger={
            <button type="button" className="quiet-button -my-1 font-normal" aria-label={`Kind of slip: ${chosen?.title ?? 'task'}`}>
              {chosen?.title ?? 'task'}
              <ChevronDown size={12} aria-hidden="true" />
            </button>
          }
        >
          <MenuChoices value={chosen?.path ?? ''}>
            <MenuChoice value="" label="task" onSelect={() => choose()} />
            {own.map(({ path, title }) => (
              <MenuChoice key={path} value={path} label={title} onSelect={() => choose(path)} />
            ))}
          </MenuChoices>
        </Menu>
      )}
    </span>
  );
  return (
    <Dialog open onClose={leave} title={kinds} name="A slip" side="slip">
      <SlipForm
        state={state}
        setState={setState}
        own={chosen}
        waits={asked.slip !== undefined && chosen === null}
        onClose={onClose}
        onRefused={refused}
      />
    </Dialog>
  );
}

const firstState = (typed: string | undefined): SlipState => ({
  typed: typed ?? slipDraft.get(),
  left: new Set(),
  fields: {},
  target: null,
  answers: {},
});

/** What is typed is there again when the page went under it, as it does when a newer program takes over or the battery is empty. */
function useKeptOnLeaving(typed: string): void {
  const latest = useLatest(typed);
  useEffect(() => {
    const keep = (): void => slipDraft.keep(latest.current);
    // A device that puts the page away may never wake it.
    const hidden = (): void => void (document.visibilityState === 'hidden' && keep());
    window.addEventListener('pagehide', keep);
    document.addEventListener('visibilitychange', hidden);
    return () => {
      window.removeEventListener('pagehide', keep);
      document.removeEventListener('visibilitychange', hidden);
    };
  }, [latest]);
}

/** The slips that the person made; empty until they are known. */
function useOwnSlips(): readonly OwnSlip[] {
  const { engine } = useServices();
  const [own, setOwn] = useState<readonly OwnSlip[]>([]);
  useEffect(() => {
    let gone = false;
    void engine.ask('slips', {}).then((slips) => {
      if (!gone) setOwn(slips);
    });
    return () => {
      gone = true;
    };
  }, [engine]);
  return own;
}

interface SlipFormProps {
  state: SlipState;
  setState: (change: (before: SlipState) => SlipState) => void;
  own: OwnSlip | null;
  /** Whether a slip of one's own is still being looked for. */
  waits: boolean;
  onClose: () => void;
  /** What was typed could not be stored, and why. */
  onRefused: (reason: string, typed: string) => void;
}

function SlipForm({ state, setState, own, waits, onClose, onRefused }: SlipFormProps) {
  const at = useNoteOnPage();
  const title = useAppSelector((one) => one.library.overview?.notes.find(({ path, kind }) => path === at && kind !== 'agenda')?.title);
  const settings = useAppSelector((one) => one.settings);
  const services = useServices();
  const { changeSettings } = services;
  const { day: today } = useNow();
  const linked = settings.slipLink && title !== undefined;
  const { read, exact } = useSlipRead(state, own, linked ? title : null);
  const [open, setOpen] = useState<SlipField | 'target' | 'words' | null>(null);
  const [projectChosen, setProject] = useState<Project | null>();
  // A slip that writes words with steps under them is for projects.
  const project = projectChosen !== undefined ? projectChosen : own && own.lines.length > 1 ? NEW_PROJECT : null;
  const [asksPast, setAsksPast] = useState<{ of: SlipState; past: ShownSlip['past'] } | null>(null);
  // It is asked of what it was asked of: whatever is filled in since is asked about anew.
  const past = asksPast?.of === state ? asksPast.past : null;
  const store = useStoreSlip(at);
  const storeProject = useStoreProject();
  const words = useRef<HTMLTextAreaElement>(null);
  // Words that were stored by Enter before the field was there.
  const [hurried, setHurried] = useState<string | null>(null);
  const [first] = read.lines;
  const landsHere = at !== null && foldPath(read.landing.note) === foldPath(at);
  const days = useMemo(() => (first ? changeDays(first.task, today) : [today]), [first, today]);
  const stands = useStands(state.typed.trim() === '' ? null : (first?.line ?? null), read.landing.note, days);
  const { current: start } = useRef(setState);
  useLayoutEffect(() => {
    const field = words.current;
    if (!field) return;
    field.focus();
    // What was typed before the field was there takes the place of what was left unstored, before the next letter comes.
    const early = takeKeys();
    if (early.typed === '') return field.select();
    start((before) => ({ ...before, typed: early.typed, left: new Set() }));
    setHurried(early.entered ? early.typed : null);
  }, [start]);
  // Another kind is chosen for what is typed here.
  useEffect(() => words.current?.focus(), [own?.path]);

  const type = (typed: string): void => {
    setState((before) => ({ ...before, typed, left: leftAfter(before.left, before.typed, typed) }));
  };
  /** Pictures stand behind the words, and under the line when it is stored. */
  const take = (files: readonly File[]): void =>
    void import('../note/pictures/keep-pictures').then(async ({ keepPictures }) => {
      const written = await keepPictures(services, read.landing.note, files, settings.pictureSize);
      if (written !== '')
        setState((before) => ({
          ...before,
          typed: `${before.typed.trimEnd()}${before.typed.trim() === '' ? '' : ' '}${written.replaceAll('\n', ' ')}`,
        }));
    });
  const submit = (): void => {
    if (state.typed.trim() === '' || waits) return;
    const now = exact();
    const wrong = Object.keys(now.wrong)[0] as SlipField | undefined;
    if (wrong !== undefined) return setOpen(wrong);
    if (now.past.length > 0 && past === null) return setAsksPast({ of: state, past: now.past });
    slipDraft.keep('');
    onClose();
    const stored =
      project && now.project !== null
        ? storeProject(now.project, now.lines, project, now.surroundings.context)
        : store({ text: now.text, landing: now.landing });
    void stored.then(
      (refused) => refused !== null && onRefused(refused, state.typed),
      () => onRefused('It could not be stored.', state.typed),
    );
  };
  const hurry = useLatest(submit);
  const canHurry = hurried !== null && hurried === state.typed && !waits;
  useEffect(() => {
    if (!canHurry) return;
    setHurried(null);
    hurry.current();
  }, [canHurry, hurry]);
  return (
    <form
      className="grid gap-2.5"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
      onKeyDown={(event) => {
        enterStores(event, submit);
        // From the words Tab goes to the fields, which open for it.
        if (event.key !== 'Tab' || event.shiftKey || event.target !== words.current || own || open !== null) return;
        event.preventDefault();
        setOpen('target');
      }}
    >
      <textarea
        ref={words}
        aria-label="Words of the slip"
        className="max-h-[30vh] w-full resize-none bg-transparent [field-sizing:content] text-[1.32rem] leading-[1.4] outline-none placeholder:text-muted"
        rows={Math.min(8, Math.max(1, state.typed.split('\n').length, Math.ceil(state.typed.length / 58)))}
        placeholder={own ? own.title : 'Ring @lars about the crate tomorrow 15:00'}
        value={state.typed}
        onChange={(event) => type(event.target.value)}
        data-takes-pictures
        onPaste={(event) => {
          if (event.clipboardData.getData('text/plain') !== '' || picturesAmong(event.clipboardData.files).length === 0) return;
          event.preventDefault();
          take(picturesAmong(event.clipboardData.files));
        }}
        onDrop={(event) => {
          const files = picturesAmong(event.dataTransfer.files);
          if (files.length === 0) return;
          event.preventDefault();
          take(files);
        }}
      />
      {own?.questions.map((question) => (
        <Labelled key={question} label={question} className="order-1">
          <input
            className="field"
            value={state.answers[question] ?? ''}
            onChange={(event) => setState((before) => ({ ...before, answers: { ...before.answers, [question]: event.target.value } }))}
          />
        </Labelled>
      ))}
      {read.project !== null && (
        <div className="order-3">
          <ProjectChoice title={read.project} project={project} onChange={setProject} />
        </div>
      )}
      {past && (
        <p role="alert" className="order-4 rounded-md bg-sun-soft px-3 py-1.5">
          Its {past.join(' and its ')} day is past. Press once more to store it all the same.
        </p>
      )}
      {open !== null && (
        <div className="order-3">
          <SlipFields
            state={state}
            read={read}
            first={open === 'words' ? null : open}
            onField={(field, value) => setState((before) => ({ ...before, fields: { ...before.fields, [field]: value } }))}
            onTarget={(target) => setState((before) => ({ ...before, target }))}
          />
        </div>
      )}
      <div className="order-5 flex items-center gap-2 border-t border-line pt-2.5">
        <p className="flex-1 text-[0.86rem] text-muted max-sm:hidden">A part pressed is changed, or left as words</p>
        <button type="button" className="quiet-button ms-auto" onClick={() => choosePictures(take, BY_TOUCH ? 'camera' : 'files')}>
          <ImagePlus size={16} aria-hidden="true" />
          <span className="max-sm:sr-only">Picture</span>
        </button>
        <button
          type="button"
          className="quiet-button"
          aria-expanded={open !== null}
          onClick={() => setOpen(open === null ? 'words' : null)}
        >
          All fields
        </button>
        <button type="submit" className="solid-button" disabled={state.typed.trim() === '' || waits}>
          {past ? 'Store it all the same' : 'Store'}
        </button>
      </div>
      {/* Tab comes here last, though it stands right below the words. */}
      <div className="order-2 grid gap-1">
        {read.count > 1 ? (
          <SeveralLines read={read} />
        ) : first && state.typed.trim() !== '' ? (
          <SlipSentence
            line={first}
            typed={state.typed}
            landing={read.landing}
            link={title === undefined || landsHere ? null : { title, on: linked }}
            stands={stands}
            onLeave={(from) => setState((before) => ({ ...before, left: new Set([...before.left, from]) }))}
            onChange={setOpen}
            onLink={(slipLink) => void changeSettings({ slipLink })}
          />
        ) : (
          <PlainLine read={state.typed.trim() === '' ? [] : read.text} />
        )}
        {state.left.size > 0 && (
          <p className="text-[0.9rem] text-muted">
            Some words are left as they are.{' '}
            <button type="button" className="underline" onClick={() => setState((before) => ({ ...before, left: new Set() }))}>
              Read them again
            </button>
          </p>
        )}
      </div>
    </form>
  );
}

/** Enter stores from the words, where Shift+Enter begins another line; in the other fields the form does that by itself. */
function enterStores(event: KeyboardEvent<HTMLFormElement>, submit: () => void): void {
  if (event.key !== 'Enter' || event.shiftKey || event.nativeEvent.isComposing || !(event.target instanceof HTMLTextAreaElement)) return;
  event.preventDefault();
  submit();
}

function PlainLine({ read }: { read: readonly string[] }) {
  return (
    <p role="status" className="text-muted">
      {read.length === 0 ? 'What it says of days, length, priority and people is read as you type.' : read.join(' ')}
    </p>
  );
}

/** Today, and the days on which a task may come to stand elsewhere. */
function changeDays(
  { plan, due, start }: { plan: { from: number } | null; due: { from: number } | null; start: number | null },
  today: number,
): number[] {
  const days = [plan?.from, due?.from, start].flatMap((day) => (day != null && day > today ? [day] : []));
  return [today, ...[...new Set(days)].sort((a, b) => a - b)];
}
