import type { ReactNode } from 'react';

interface CheckProps {
  checked: boolean;
  onChange: (checked: boolean) => void;
  className?: string;
  children: ReactNode;
}

/** Something that is so or is not, as a box with its words. */
export function Check({ checked, onChange, className = '', children }: CheckProps) {
  return (
    <label className={`flex min-h-[28px] items-center gap-1.5 ${className}`}>
      <input
        type="checkbox"
        className="h-4 w-4 flex-none accent-(--primary)"
        checked={checked}
        onChange={({ target }) => onChange(target.checked)}
      />
      {children}
    </label>
  );
}
