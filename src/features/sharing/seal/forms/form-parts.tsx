import type { SealDesk } from '../../../../store/seal/seal-desk';
import { Labelled } from '../../../../ui/form/Labelled';

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
  /** Whether one is made; else it is one that there is. */
  isNew?: boolean;
  isWrong?: boolean;
  /** The id of what says more about it. */
  describedBy?: string;
  takesFocus?: boolean;
}

/** A passphrase, typed unseen. */
export function PassphraseField({
  label,
  value,
  onChange,
  isNew = false,
  isWrong = false,
  describedBy,
  takesFocus = false,
}: PassphraseFieldProps) {
  return (
    <Labelled label={label}>
      <input
        className="field"
        type="password"
        autoComplete={isNew ? 'new-password' : 'current-password'}
        autoFocus={takesFocus}
        value={value}
        aria-invalid={isWrong}
        aria-describedby={describedBy}
        onChange={({ target }) => onChange(target.value)}
      />
    </Labelled>
  );
}
