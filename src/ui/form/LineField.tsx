import { useState } from 'react';

interface LineFieldProps {
  label: string;
  className?: string;
  /** Called with the words; Enter gives them, and the next can be written. */
  onWrite: (words: string) => void;
}

/** A field of one line, whose words are written down by Enter. */
export function LineField({ label, className = '', onWrite }: LineFieldProps) {
  const [words, setWords] = useState('');
  return (
    <form
      className={className}
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim() === '') return;
        onWrite(words.trim());
        setWords('');
      }}
    >
      <input
        className="field w-full"
        aria-label={label}
        placeholder={label}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
    </form>
  );
}
