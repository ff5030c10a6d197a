import type { OtherSign } from '../../../core/formats/in/other-signs';
import { type Status, STATUSES, STATUS_NAMES } from '../../../core/task/line/status';
import { counted } from '../../session/acting/use-act';

interface SignChoicesProps {
  signs: readonly OtherSign[];
  meant: Readonly<Record<string, Status>>;
  onChange: (meant: Record<string, Status>) => void;
}

/** Boxes with signs that mean something else here, or nothing: as they are, or as which status. */
export function SignChoices({ signs, meant, onChange }: SignChoicesProps) {
  const change = (sign: string, status: string): void => {
    const { [sign]: _, ...others } = meant;
    const chosen = STATUSES.find((one) => one === status);
    onChange(chosen ? { ...others, [sign]: chosen } : others);
  };
  return (
    <fieldset className="grid grid-cols-1 gap-1.5">
      <legend className="section-label mb-1">Boxes with other signs</legend>
      {signs.map(({ sign, count, sample }) => (
        <label key={sign} className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <code className="font-mono">[{sign}]</code>
          <select className="field w-auto" value={meant[sign] ?? ''} onChange={(event) => change(sign, event.target.value)}>
            <option value="">As it is</option>
            {STATUSES.map((status) => (
              <option key={status} value={status}>
                {STATUS_NAMES[status]}
              </option>
            ))}
          </select>
          <span className="min-w-0 flex-1 truncate text-[0.9rem] text-muted">
            {counted(count, 'box', 'boxes')}, such as “{sample}”
          </span>
        </label>
      ))}
    </fieldset>
  );
}
