import { useNavigate } from 'react-router';
import { signedName } from '../../../core/task/acts/word-actions';
import { personAddress, tagAddress } from '../../session/places/addresses';
import { LazyRenameDialog } from './LazyRenameDialog';

interface RenameNameProps {
  /** With its sign: `#loans`, `@kofi`. */
  name: string;
  /** Whether the page that is shown is called by the name, so that it is left for the new one. */
  leads: boolean;
  onClose: () => void;
}

/** Renames a tag or a person wherever they are named. */
export function RenameName({ name, leads, onClose }: RenameNameProps) {
  const navigate = useNavigate();
  return (
    <LazyRenameDialog
      name={name}
      renaming={(after) => {
        const wanted = signedName(after.startsWith(name.charAt(0)) ? after : name.charAt(0) + after);
        return wanted === null ? null : { is: 'name', before: name, after: wanted };
      }}
      rule="Letters and digits, at least one letter, with a single - or / or . between them; no spaces."
      onClose={onClose}
      onDone={(after) => {
        onClose();
        const bare = after.replace(/^[#@]/, '');
        if (leads) void navigate(name.startsWith('#') ? tagAddress(bare) : personAddress(bare), { replace: true });
      }}
    />
  );
}
