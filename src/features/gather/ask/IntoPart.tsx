import { useState } from 'react';

interface IntoPartProps {
  into: string | null;
  onChange: (into: string | null) => void;
}

/** Where a task goes that is written into the list: a note, with a heading behind `#`. */
export function IntoPart({ into, onChange }: IntoPartProps) {
  const [typed, setTyped] = useState(into ?? '');
  const wrong = /[[\]\r\n]/.test(typed);
  return (
    <label className="grid max-w-96 gap-0.5 text-[0.86rem] text-muted">
      What is written into the list goes to this note; behind # a heading. Empty: to where one is.
      <input
        autoFocus
        className="field"
        placeholder="Salt on the Glass#Loans"
        value={typed}
        aria-invalid={wrong}
        onChange={({ target: { value } }) => {
          setTyped(value);
          if (!/[[\]\r\n]/.test(value)) onChange(value.trim() === '' ? null : value.trim());
        }}
      />
      {wrong && <span className="text-late">A title has no square brackets.</span>}
    </label>
  );
}
