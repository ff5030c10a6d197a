import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { baseNameOf, isSealedPath, liesIn } from '../../../../core/note/names/path';
import type { Seal, SealedTitles } from '../../../../core/sharing/seal/seal-note';
import type { SealDesk } from '../../../../store/seal/seal-desk';
import type { CopiesSealed } from '../../../../store/seal/seal-notes';
import { Choice } from '../../../../ui/form/Choice';
import { say } from '../../../session/telling/messages';
import type { AskedDialog } from '../../../session/acting/task-dialog';
import { counted } from '../../../session/acting/use-act';
import { helpAddress } from '../../../session/places/addresses';
import { useServices } from '../../../session/state/services';
import { PassphraseFields, passphraseProblem } from './PassphraseFields';
import { PassphraseField, Problem, type SealFormProps } from './form-parts';
import { unfitToSeal } from '../unfit-to-seal';
import { useDoing } from './use-doing';
import { isOpenSeal, useSeals } from '../use-seals';
import { Labelled } from '../../../../ui/form/Labelled';

type Asked = Extract<AskedDialog, { is: 'seal' }>;

/** Which notes a folder holds that are not sealed yet. */
async function looseIn(desk: SealDesk, folder: string, all: readonly { path: string; text: string | null }[]): Promise<string[]> {
  const seals = new Set((await desk.all()).map(({ path }) => path));
  return all
    .filter(({ path, text }) => liesIn(path, folder) && text !== null && !isSealedPath(path) && !seals.has(path))
    .map(({ path }) => path);
}

const NEW = '';

/** Seals a note, or a folder with all that comes into it, by a seal that is there or a new one. */
export function SealForm({ desk, asked, onClose }: SealFormProps & { asked: Extract<Asked, { what: 'notes' | 'folder' }> }) {
  const { store } = useServices();
  const state = useSeals();
  const open = state.seals.filter((one) => isOpenSeal(state, one));
  const [chosen, setChosen] = useState((open[0] ?? state.seals[0])?.path ?? NEW);
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
      say(saidOf(seal, sealed.moved.length, sealed.copies), sealed.copies.failed > 0 ? { is: 'warning' } : {});
      onClose();
      return null;
    });
  };
  return (
    <form className="grid gap-3" onSubmit={submit}>
      <p className="text-muted [overflow-wrap:anywhere]">{title}</p>
      {state.seals.length > 0 && (
        <Labelled label="By which seal">
          <select className="field" value={chosen} onChange={({ target }) => setChosen(target.value)}>
            {state.seals.map((one) => (
              <option key={one.path} value={one.path}>
                {one.name}
              </option>
            ))}
            <option value={NEW}>a new one</option>
          </select>
        </Labelled>
      )}
      {isClosed && <PassphraseField label="Its passphrase" value={words} onChange={setWords} isWrong={problem !== null} />}
      {present === null && (
        <>
          <Labelled label="Name of the seal">
            <input className="field" autoFocus maxLength={60} value={name} onChange={({ target }) => setName(target.value)} />
          </Labelled>
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

function saidOf(seal: Seal, notes: number, { sealed, failed }: CopiesSealed): string {
  const copies = sealed === 0 ? '' : ` ${counted(sealed, 'copy', 'copies')} ${sealed === 1 ? 'was' : 'were'} sealed with it.`;
  const left = failed === 0 ? '' : ` ${counted(failed, 'copy', 'copies')} could not be: remove them in What is kept.`;
  return `Sealed by “${seal.name}”: ${counted(notes, 'note')}.${copies}${left}`;
}
