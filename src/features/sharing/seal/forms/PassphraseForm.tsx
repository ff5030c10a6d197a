import { type FormEvent, useState } from 'react';
import { foldPath } from '../../../../core/note/names/path';
import { say } from '../../../session/telling/messages';
import { PassphraseFields, passphraseProblem } from './PassphraseFields';
import { PassphraseField, Problem, type SealFormProps } from './form-parts';
import { useDoing } from './use-doing';
import { isOpenSeal, useSeals } from '../use-seals';

/** Gives a seal another passphrase; where it is open, without the old one. */
export function PassphraseForm({ desk, path, onClose }: SealFormProps & { path: string }) {
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
        <PassphraseField label="The passphrase it has now" value={before} onChange={setBefore} isWrong={problem !== null} takesFocus />
      )}
      <PassphraseFields label="Another passphrase" first={first} again={again} onFirst={setFirst} onAgain={setAgain} />
      <Problem words={problem} />
      <button type="submit" className="solid-button justify-self-start" disabled={busy || first === '' || again === ''}>
        {busy ? 'Changing…' : 'Change it'}
      </button>
    </form>
  );
}
