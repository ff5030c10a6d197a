import { useId } from 'react';

interface ChoiceProps<T extends string | number> {
  label: string;
  value: T;
  /** Each with its words and, where it needs them, more under it: then they stand in columns. */
  options: readonly (readonly [value: T, words: string, more?: string])[];
  onChoose: (value: T) => void;
  /** Whether what is chosen has the focus when it is shown: where a dialog begins with it. */
  takesFocus?: boolean;
}

/** One of a few values, as radio buttons under a legend. */
export function Choice<T extends string | number>({ label, value, options, onChoose, takesFocus = false }: ChoiceProps<T>) {
  const name = useId();
  const explains = options.some(([, , more]) => more !== undefined);
  return (
    <fieldset>
      <legend className="section-label mb-1">{label}</legend>
      <div className={explains ? 'grid gap-x-4 gap-y-1 sm:grid-cols-2' : 'flex flex-wrap gap-x-5 gap-y-1'}>
        {options.map(([option, words, more]) => (
          <label key={option} className={explains ? 'flex items-start gap-2 py-0.5' : 'flex min-h-[28px] items-center gap-1.5'}>
            <input
              type="radio"
              name={name}
              className={`h-4 w-4 shrink-0 accent-(--primary) ${explains ? 'mt-1' : ''}`}
              checked={option === value}
              autoFocus={takesFocus && option === value}
              onChange={() => onChoose(option)}
            />
            {more === undefined ? (
              words
            ) : (
              <span className="min-w-0">
                <span className="font-semibold">{words}</span>
                <span className="block text-[0.86rem] text-muted">{more}</span>
              </span>
            )}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
