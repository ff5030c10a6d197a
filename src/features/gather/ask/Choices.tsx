/** How a choice looks: pressed where it holds. */
export const CHOICE =
  'quiet-button min-h-[25px] border border-edge text-[0.86rem] aria-pressed:bg-primary-soft aria-pressed:font-semibold aria-pressed:text-ink';

interface ChoicesProps {
  label: string;
  options: readonly string[];
  chosen: readonly string[];
  /** Whether the focus comes to its first choice. */
  first?: boolean;
  onChoose: (option: string) => void;
}

/** Some words of which one or several are chosen; the first one stands for none of the others. */
export function Choices({ label, options, chosen, first = false, onChoose }: ChoicesProps) {
  return (
    <div role="group" aria-label={label} className="mb-2 last:mb-0">
      <p className="mb-1 text-[0.86rem] text-muted">{label}</p>
      <p className="flex flex-wrap gap-1">
        {options.map((option, index) => {
          const words = chosen.find((one) => one === option || one.startsWith(`${option} `));
          return (
            <button
              key={option}
              type="button"
              autoFocus={first && index === 0}
              aria-pressed={words !== undefined || (index === 0 && chosen.length === 0)}
              className={CHOICE}
              onClick={() => onChoose(option)}
            >
              {words ?? option}
            </button>
          );
        })}
      </p>
    </div>
  );
}

interface NumberFieldProps {
  label: string;
  value: number | null;
  onChange: (value: number | null) => void;
}

/** A number that may be left out. */
export function NumberField({ label, value, onChange }: NumberFieldProps) {
  return (
    <label className="grid gap-0.5 text-[0.86rem] text-muted">
      {label}
      <input
        type="number"
        min={0}
        className="field w-28"
        value={value ?? ''}
        onChange={(event) => {
          const number = Math.floor(Number(event.target.value));
          onChange(event.target.value === '' || !Number.isFinite(number) || number < 0 ? null : number);
        }}
      />
    </label>
  );
}
