import { Lock } from 'lucide-react';

/** That a note is sealed. */
export function SealShape() {
  return (
    <span title="Sealed" className="flex-none text-muted">
      <Lock size={12} aria-hidden="true" />
      <span className="sr-only">sealed</span>
    </span>
  );
}
