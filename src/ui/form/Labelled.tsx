import type { ReactNode } from 'react';

interface LabelledProps {
  label: ReactNode;
  /** What stands below the field. */
  help?: ReactNode;
  /** Its place among other fields. */
  className?: string;
  children: ReactNode;
}

/** A field of a form below its name. */
export function Labelled({ label, help, className = '', children }: LabelledProps) {
  return (
    <label className={`grid content-start gap-1 ${className}`}>
      <span className="section-label">{label}</span>
      {children}
      {help && <span className="text-[0.86rem] text-muted">{help}</span>}
    </label>
  );
}
