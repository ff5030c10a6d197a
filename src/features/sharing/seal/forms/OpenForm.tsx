import { type FormEvent, useState } from 'react';
import { foldPath } from '../../../../core/note/names/path';
import { say } from '../../../session/telling/messages';
import { counted } from '../../../session/acting/use-act';
import { PassphraseField, Problem, type SealFormProps } from './form-parts';
import { useDoing } from './use-doing';
import { isOpenSeal, sealOfNote, useSeals } from '../use-seals';
import { Labelled } from '../../../../ui/form/Labelled';

/** Opens a seal by its passphrase. */
export function OpenForm({ desk, seal, path, onClose }: SealFormProps & { seal: string | null; path: string | null }) {
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
        <Labelled label="Seal">
          <select className="field" value={one?.path} onChange={({ target }) => setChosen(target.value)}>
            {closed.map(({ path: at, name }) => (
              <option key={at} value={at}>
                {name}
              </option>
            ))}
          </select>
        </Labelled>
      ) : (
        <p className="text-muted">{one?.name}</p>
      )}
      <PassphraseField label="Passphrase" value={words} onChange={setWords} isWrong={problem !== null} takesFocus />
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
