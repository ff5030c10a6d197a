import { useState } from 'react';
import { keyFrom, keyName } from './command';

interface KeyButtonProps {
  /** What the key is of. */
  of: string;
  /** The present key; null for none. */
  value: string | null;
  /** Called with the key that was pressed; null takes it away. */
  onChange: (key: string | null) => void;
}

/** A key as a button: pressed, it waits for another one. Backspace takes the key away, Escape leaves it. */
export function KeyButton({ of, value, onChange }: KeyButtonProps) {
  const [isWaiting, setIsWaiting] = useState(false);
  const words = value === null ? 'none' : keyName(value);
  return (
    <button
      type="button"
      className="line-button min-w-28 justify-center font-mono text-[0.84rem]"
      data-takes-escape={isWaiting || undefined}
      aria-label={`Key of ${of}: ${words}`}
      onClick={() => setIsWaiting(true)}
      onBlur={() => setIsWaiting(false)}
      onKeyDown={(event) => {
        if (!isWaiting) return;
        const pressed = keyFrom(event.nativeEvent);
        if (pressed === null || pressed === 'Tab' || pressed === 'Shift+Tab') return;
        event.preventDefault();
        event.stopPropagation();
        setIsWaiting(false);
        if (pressed !== 'Escape') onChange(pressed === 'Backspace' ? null : pressed);
      }}
    >
      {isWaiting ? 'press a key' : words}
    </button>
  );
}
