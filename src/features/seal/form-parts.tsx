import type { SealDesk } from '../../store/seal/seal-desk';

/** What each form of the dialog of seals is given. */
export interface SealFormProps {
  desk: SealDesk;
  onClose: () => void;
}

/** Why something was not done; nothing where it was. */
export function Problem({ words }: { words: string | null }) {
  return words === null ? null : (
    <p role="alert" className="text-late">
      {words}
    </p>
  );
}

interface PassphraseFieldProps {
  label: string;
  value: string;
  onChange: (words: string) => void;
  isWrong?: boolean;
  takesFocus?: boolean;
}

/** A passphrase that there is. */
export function PassphraseField({ label, value, onChange, isWrong = false, takesFocus = false }: PassphraseFieldProps) {
  return (
    <label className="grid gap-1">
      <span className="section-label">{label}</span>
      <input
        className="field"
        type="password"
        autoComplete="current-password"
        autoFocus={takesFocus}
        value={value}
        aria-invalid={isWrong}
        onChange={({ target }) => onChange(target.value)}
      />
    </label>
  );
}
