import { useRef } from 'react';

interface RewordFieldProps {
  text: string;
  onStore: (text: string) => void;
  onClose: () => void;
}

/** The words of a task, to be changed in place: Enter or leaving stores them, Escape takes them back. */
export function RewordField({ text, onStore, onClose }: RewordFieldProps) {
  const over = useRef(false);
  const finish = (next: string | null): void => {
    if (over.current) return;
    over.current = true;
    onClose();
    if (next !== null && next.trim() !== '' && next.trim() !== text) onStore(next);
  };
  return (
    <input
      autoFocus
      aria-label="Words of the task"
      className="field w-full"
      defaultValue={text}
      onBlur={(event) => finish(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') finish(event.currentTarget.value);
        if (event.key === 'Escape') finish(null);
        event.stopPropagation();
      }}
    />
  );
}
