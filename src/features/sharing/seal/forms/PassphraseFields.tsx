import { PassphraseField } from './form-parts';

interface PassphraseFieldsProps {
  first: string;
  again: string;
  onFirst: (words: string) => void;
  onAgain: (words: string) => void;
  /** What the first is called. */
  label: string;
}

const SAID = 'passphrase-said';
/** So many characters a passphrase has at least; four or five words are better. */
const LEAST = 10;

/** Why a new passphrase will not do; null when it will. */
export function passphraseProblem(first: string, again: string): string | null {
  if ([...first].length < LEAST) return `At least ${LEAST} characters: four or five words that nobody would put together are easy to keep.`;
  return first === again ? null : 'Both must be the same.';
}

/** A new passphrase, typed twice, with what it means to lose it. */
export function PassphraseFields({ first, again, onFirst, onAgain, label }: PassphraseFieldsProps) {
  const problem = first === '' ? null : passphraseProblem(first, again === '' ? first : again);
  return (
    <>
      <div className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        <PassphraseField label={label} value={first} onChange={onFirst} isNew isWrong={problem !== null} describedBy={SAID} />
        <PassphraseField label="Once more" value={again} onChange={onAgain} isNew describedBy={SAID} />
      </div>
      <p id={SAID} aria-live="polite" className="text-[0.9rem] text-late empty:hidden">
        {problem}
      </p>
      <p className="text-[0.9rem]">
        <strong className="font-semibold">Losing the passphrase is final.</strong> It is kept nowhere, and without it nobody can open what
        is sealed.
      </p>
    </>
  );
}
