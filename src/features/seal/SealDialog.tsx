import { type FormEvent, type ReactNode, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { baseNameOf, foldPath, isSealedPath, liesIn } from '../../core/note/names/path';
import type { Seal, SealedTitles } from '../../core/seal/seal-note';
import type { SealDesk } from '../../store/seal/seal-desk';
import { Choice } from '../../ui/Choice';
import { Dialog } from '../../ui/Dialog';
import { say } from '../session/acting/messages';
import type { AskedDialog } from '../session/acting/task-dialog';
import { counted } from '../session/acting/use-act';
import { helpAddress } from '../session/places/addresses';
import { useServices } from '../session/state/services';
import { PassphraseFields, passphraseProblem } from './PassphraseFields';
import { sealInCopies } from './seal-in-copies';
import { unfitToSeal } from './unfit-to-seal';
import { isOpenSeal, sealOfNote, useSeals } from './use-seals';

type Asked = Extract<AskedDialog, { is: 'seal' }>;

interface SealDialogProps {
  asked: Asked;
  onClose: () => void;
}

const TITLES = { open: 'Open a seal', notes: 'Seal a note', folder: 'Seal a folder', passphrase: 'Another passphrase' } as const;

/** Opens a seal, seals a note or a folder, or gives a seal another passphrase. */
export function SealDialog({ asked, onClose }: SealDialogProps) {
  const { seals } = useServices();
  const [desk, setDesk] = useState<SealDesk | 'failed' | null>(seals.opened);
  useEffect(() => {
    void seals.open().then(setDesk, () => setDesk('failed'));
  }, [seals]);
  return (
    <Dialog open onClose={onClose} title={TITLES[asked.what]} onGone={intoText}>
      {desk === null && <p role="status">Looking…</p>}
      {desk === 'failed' && <p role="alert">The part of Recado that seals could not be loaded. Load the page anew.</p>}
      {desk !== null && desk !== 'failed' && <Form desk={desk} asked={asked} onClose={onClose} />}
    </Dialog>
  );
}

/** What was opened is there to be written in: the button that asked for it is gone. */
function intoText(): void {
  if (document.activeElement === null || document.activeElement === document.body)
    document.querySelector<HTMLElement>('#page .cm-content')?.focus();
}

function Form({ desk, asked, onClose }: SealDialogProps & { desk: SealDesk }) {
  switch (asked.what) {
    case 'open':
      return <OpenForm desk={desk} seal={asked.seal ?? null} path={asked.path ?? null} onClose={onClose} />;
    case 'passphrase':
      return <PassphraseForm desk={desk} path={asked.seal} onClose={onClose} />;
    default:
      return <SealForm desk={desk} asked={asked} onClose={onClose} />;
  }
}

/** What is done by a form, once, with what keeps it from being done. */
function useDoing(): { busy: boolean; problem: string | null; run: (act: () => Promise<string | null>) => void } {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const run = (act: () => Promise<string | null>): void => {
    if (busy) return;
    setBusy(true);
    setProblem(null);
    void act()
      .catch((error: unknown) => (error instanceof Error ? error.message : String(error)))
      .then((refused) => {
        setProblem(refused);
        setBusy(false);
      });
  };
  return { busy, problem, run };
}

function Problem({ words }: { words: string | null }) {
  return words === null ? null : (
    <p role="alert" className="text-late">
      {words}
    </p>
  );
}

interface FormProps {
  desk: SealDesk;
  onClose: () => void;
}

function OpenForm({ desk, seal, path, onClose }: FormProps & { seal: string | null; path: string | null }) {
  const state = useSeals();
  const closed = state.seals.filter((one) => !isOpenSeal(state, one));
  const known = path === null ? null : sealOfNote(state, path);
  const [chosen, setChosen] = useState(seal ?? known?.path ?? closed[0]?.path ?? '');
  const [words, setWords] = useState('');
  const { busy, problem, run } = useDoing();
  if (state.seals.length === 0)
    return <p>There is no seal here yet. One is made when a note or a folder is sealed for the first time, from its menu.</p>;
  if (closed.length === 0) return <p>Every seal is open.</p>;
  const one = closed.find(({ path: at }) => foldPath(at) === foldPath(chosen)) ?? closed[0];
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    run(async () => {
      if (!one) return null;
      const opened = await desk.open(one, words);
      say(`“${one.name}” is open: ${counted(opened, 'note')}.`);
      onClose();
      return null;
    });
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      {closed.length > 1 ? (
        <label className="grid gap-1">
          <span className="section-label">Seal</span>
          <select className="field" value={one?.path} onChange={({ target }) => setChosen(target.value)}>
            {closed.map(({ path: at, name }) => (
              <option key={at} value={at}>
                {name}
              </option>
            ))}
          </select>
        </label>
      ) : (
        <p className="text-muted">{one?.name}</p>
      )}
      <label className="grid gap-1">
        <span className="section-label">Passphrase</span>
        <input
          className="field"
          type="password"
          autoComplete="current-password"
          autoFocus
          value={words}
          aria-invalid={problem !== null}
          onChange={({ target }) => setWords(target.value)}
        />
      </label>
      <Problem words={problem} />
      <p className="text-[0.9rem] text-muted">
        It stays open in this tab until it is closed by hand, when nobody is there for a while, or when the page is out of sight for five
        minutes.
      </p>
      <button type="submit" className="solid-button justify-self-start" disabled={busy || words === ''}>
        {busy ? 'Opening…' : 'Open'}
      </button>
    </form>
  );
}

/** Which notes a folder holds that are not sealed yet. */
async function looseIn(desk: SealDesk, folder: string, all: readonly { path: string; text: string | null }[]): Promise<string[]> {
  const seals = new Set((await desk.all()).map(({ path }) => path));
  return all
    .filter(({ path, text }) => liesIn(path, folder) && text !== null && !isSealedPath(path) && !seals.has(path))
    .map(({ path }) => path);
}

const NEW = '';

function SealForm({ desk, asked, onClose }: FormProps & { asked: Extract<Asked, { what: 'notes' | 'folder' }> }) {
  const { store } = useServices();
  const state = useSeals();
  const open = state.seals.filter((one) => isOpenSeal(state, one));
  const [chosen, setChosen] = useState(open[0]?.path ?? NEW);
  const [name, setName] = useState(asked.what === 'folder' ? baseNameOf(asked.folder) : 'Private');
  const [titles, setTitles] = useState<SealedTitles>('hidden');
  const [first, setFirst] = useState('');
  const [again, setAgain] = useState('');
  const [done, setDone] = useState<number | null>(null);
  const [words, setWords] = useState('');
  const { busy, problem, run } = useDoing();
  const present = state.seals.find(({ path }) => path === chosen) ?? null;
  const isClosed = present !== null && !isOpenSeal(state, present);
  const title = asked.what === 'folder' ? `Everything in “${asked.folder}”, and what comes into it` : asked.title;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    run(async () => {
      if (present === null && passphraseProblem(first, again) !== null) return passphraseProblem(first, again);
      const paths = asked.what === 'notes' ? asked.paths : await looseIn(desk, asked.folder, await store.kept.all());
      const unfit = await unfitToSeal(store, paths);
      if (unfit !== null) return unfit;
      const folders = asked.what === 'folder' ? [asked.folder] : [];
      if (present !== null && isClosed) await desk.open(present, words);
      const seal = present ?? (await desk.make(name.trim() || 'Private', first, { titles, folders: [] }));
      setDone(0);
      const sealed = await desk.seal(seal, paths, setDone);
      if (folders.length > 0) await desk.changeFolders(seal, [...new Set([...seal.folders, ...folders])]);
      const copies = await sealInCopies(store, sealed.moved);
      say(saidOf(seal, sealed.moved.length, copies), copies.failed > 0 ? { is: 'warning' } : {});
      onClose();
      return null;
    });
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <p className="text-muted [overflow-wrap:anywhere]">{title}</p>
      {state.seals.length > 0 && (
        <label className="grid gap-1">
          <span className="section-label">By which seal</span>
          <select className="field" value={chosen} onChange={({ target }) => setChosen(target.value)}>
            {state.seals.map((one) => (
              <option key={one.path} value={one.path}>
                {one.name}
              </option>
            ))}
            <option value={NEW}>a new one</option>
          </select>
        </label>
      )}
      {isClosed && (
        <label className="grid gap-1">
          <span className="section-label">Its passphrase</span>
          <input
            className="field"
            type="password"
            autoComplete="current-password"
            value={words}
            onChange={({ target }) => setWords(target.value)}
          />
        </label>
      )}
      {present === null && (
        <>
          <label className="grid gap-1">
            <span className="section-label">Name of the seal</span>
            <input className="field" autoFocus maxLength={60} value={name} onChange={({ target }) => setName(target.value)} />
          </label>
          <PassphraseFields label="Passphrase" first={first} again={again} onFirst={setFirst} onAgain={setAgain} />
          <Choice
            label="While it is closed, titles are"
            value={titles}
            options={[
              ['hidden', 'hidden'],
              ['shown', 'shown'],
            ]}
            onChoose={setTitles}
          />
        </>
      )}
      <WhatItMeans />
      <Problem words={problem} />
      <div className="flex flex-wrap items-center gap-3">
        <button type="submit" className="solid-button" disabled={busy || (present === null && (first === '' || again === ''))}>
          {busy ? 'Sealing…' : 'Seal'}
        </button>
        {busy && done !== null && done > 0 && <span role="status">{counted(done, 'note')}</span>}
        <Link className="name-link text-[0.9rem]" to={helpAddress('sealed')} onClick={onClose}>
          What is sealed, and what is not
        </Link>
      </div>
    </form>
  );
}

function WhatItMeans() {
  return (
    <p className="text-[0.9rem] text-muted">
      What is kept of it here is sealed with it: earlier texts, copies. Undo does not bring it back. Closed, it stands in no list and is
      found by nothing; links to it stay as they are, so their words can be read.
    </p>
  );
}

function saidOf(seal: Seal, notes: number, { sealed, failed }: { sealed: number; failed: number }): string {
  const copies = sealed === 0 ? '' : ` ${counted(sealed, 'copy', 'copies')} ${sealed === 1 ? 'was' : 'were'} sealed with it.`;
  const left = failed === 0 ? '' : ` ${counted(failed, 'copy', 'copies')} could not be: remove them in What is kept.`;
  return `Sealed by “${seal.name}”: ${counted(notes, 'note')}.${copies}${left}`;
}

function PassphraseForm({ desk, path, onClose }: FormProps & { path: string }): ReactNode {
  const state = useSeals();
  const seal = state.seals.find((one) => foldPath(one.path) === foldPath(path)) ?? null;
  const isOpen = seal !== null && isOpenSeal(state, seal);
  const [before, setBefore] = useState('');
  const [first, setFirst] = useState('');
  const [again, setAgain] = useState('');
  const { busy, problem, run } = useDoing();
  if (!seal) return <p>This seal is not there any more.</p>;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    run(async () => {
      const unfit = passphraseProblem(first, again);
      if (unfit !== null) return unfit;
      await desk.changePassphrase(seal, isOpen ? null : before, first);
      say(`“${seal.name}” has another passphrase. Copies that were made before still open with the old one.`);
      onClose();
      return null;
    });
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <p className="text-muted">{seal.name}</p>
      {isOpen ? (
        <p>It is open here, so the old passphrase is not asked for: where it was forgotten on another device, this is the way back.</p>
      ) : (
        <label className="grid gap-1">
          <span className="section-label">The passphrase it has now</span>
          <input
            className="field"
            type="password"
            autoComplete="current-password"
            autoFocus
            value={before}
            onChange={({ target }) => setBefore(target.value)}
          />
        </label>
      )}
      <PassphraseFields label="Another passphrase" first={first} again={again} onFirst={setFirst} onAgain={setAgain} />
      <Problem words={problem} />
      <button type="submit" className="solid-button justify-self-start" disabled={busy || first === '' || again === ''}>
        {busy ? 'Changing…' : 'Change it'}
      </button>
    </form>
  );
}
