interface PassphraseFieldsProps {
  first: string;
  again: string;
  onFirst: (words: string) => void;
  onAgain: (words: string) => void;
  /** What the first is called. */
  label: string;
}

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
        <label className="grid content-start gap-1">
          <span className="section-label">{label}</span>
          <input
            className="field"
            type="password"
            autoComplete="new-password"
            value={first}
            aria-invalid={problem !== null}
            aria-describedby="passphrase-said"
            onChange={({ target }) => onFirst(target.value)}
          />
        </label>
        <label className="grid content-start gap-1">
          <span className="section-label">Once more</span>
          <input
            className="field"
            type="password"
            autoComplete="new-password"
            value={again}
            aria-describedby="passphrase-said"
            onChange={({ target }) => onAgain(target.value)}
          />
        </label>
      </div>
      <p id="passphrase-said" aria-live="polite" className="text-[0.9rem] text-late empty:hidden">
        {problem}
      </p>
      <p className="text-[0.9rem]">
        <strong className="font-semibold">Losing the passphrase is final.</strong> It is kept nowhere, and without it nobody can open what
        is sealed.
      </p>
    </>
  );
}
