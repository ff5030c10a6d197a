import { X } from 'lucide-react';
import { isLeftOut, otherWay } from '../../../core/gather/answer/narrow';

interface NarrowChosenProps {
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

/** What was chosen to narrow the lists by: pressed, it is left out instead of wanted, or the other way. */
export function NarrowChosen({ chosen, onChange }: NarrowChosenProps) {
  return chosen.map((condition) => (
    <span key={condition} className="flex items-center rounded-md bg-primary-soft ps-2">
      <button
        type="button"
        className="min-h-[25px] hover:underline"
        title={isLeftOut(condition) ? 'Want it instead' : 'Leave it out instead'}
        onClick={() => onChange(chosen.map((one) => (one === condition ? otherWay(one) : one)))}
      >
        {condition}
      </button>
      <button
        type="button"
        className="quiet-button"
        aria-label={`No longer ${condition}`}
        onClick={() => onChange(chosen.filter((one) => one !== condition))}
      >
        <X size={14} aria-hidden="true" />
      </button>
    </span>
  ));
}
