import { Info } from 'lucide-react';

/** Shows or hides what a list asks. */
export function SentenceToggle({ shown, onToggle }: { shown: boolean; onToggle: () => void }) {
  return (
    <button
      type="button"
      className="quiet-button no-print -my-1"
      aria-expanded={shown}
      aria-label="What this list shows"
      onClick={onToggle}
    >
      <Info size={14} aria-hidden="true" />
    </button>
  );
}

/** A gather in plain English. */
export function Sentence({ text }: { text: string }) {
  return <p className="mb-1.5 text-[0.86rem] text-muted">{text === '' ? 'The gather cannot be read yet.' : text}</p>;
}
