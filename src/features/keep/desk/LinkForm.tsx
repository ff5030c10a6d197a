import { type FormEvent, useState } from 'react';
import { useServices } from '../../session/state/services';
import { linkThisDevice } from './desk-setup';
import { thisDeviceName } from './device-name';
import { Labelled } from '../../../ui/form/Labelled';
import { whyFailed } from '../../session/telling/why-failed';

interface LinkFormProps {
  /** Words that came with a code that was scanned; else empty. */
  words: string;
  onLinked: () => void;
}

/** The words of an invitation, and how this device is called among the others. */
export function LinkForm({ words: given, onLinked }: LinkFormProps) {
  const { store } = useServices();
  const [words, setWords] = useState(given);
  const [name, setName] = useState(thisDeviceName);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const link = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    setBusy(true);
    setProblem(null);
    const result = await linkThisDevice(store, words, name.trim() || thisDeviceName()).catch((error: unknown) => ({
      refused: `This device could not be linked. ${whyFailed(error)}`,
    }));
    setBusy(false);
    if (result) setProblem(result.refused);
    else onLinked();
  };
  return (
    <form className="grid max-w-[34rem] gap-3" onSubmit={(event) => void link(event)}>
      <p>
        On a device that shares the desk, open “What is kept” and choose “Link another device”. Scan the code, or type its eight words here;
        four letters of each are enough.
      </p>
      <Labelled label="Words of the invitation">
        <textarea
          className="field font-mono"
          rows={2}
          autoCapitalize="none"
          autoCorrect="off"
          spellCheck={false}
          autoFocus={given === ''}
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </Labelled>
      <Labelled label="Name of this device">
        <input className="field" value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
      </Labelled>
      <p className="text-[0.9rem] text-muted">
        Your notes here and those of the desk are brought together; where both have the same note, both texts are kept. What shipped with
        Recado and was never changed here goes.
      </p>
      {problem !== null && (
        <p role="alert" className="rounded-md bg-late-soft px-3 py-1.5 text-late">
          {problem}
        </p>
      )}
      <button type="submit" className="solid-button justify-self-start" disabled={busy || words.trim() === ''}>
        {busy ? 'Linking…' : 'Link this device'}
      </button>
    </form>
  );
}
