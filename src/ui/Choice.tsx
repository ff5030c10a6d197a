interface ChoiceProps<T extends string | number> {
  label: string;
  value: T;
  options: [T, string][];
  onChoose: (value: T) => void;
}

/** One of a few values, as radio buttons under a legend. */
export function Choice<T extends string | number>({ label, value, options, onChoose }: ChoiceProps<T>) {
  return (
    <fieldset>
      <legend className="section-label mb-1">{label}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {options.map(([option, words]) => (
          <label key={option} className="flex min-h-[28px] items-center gap-1.5">
            <input
              type="radio"
              name={label}
              className="h-4 w-4 accent-(--primary)"
              checked={option === value}
              onChange={() => onChoose(option)}
            />
            {words}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
