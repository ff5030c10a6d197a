import { Minus, Plus } from 'lucide-react';

/** Pixels an hour may take. */
const SCALES = [28, 40, 52, 72, 104];

/** The step at which hours stand when nobody stretched them. */
export const USUAL_STEP = 2;

/** How tall a minute is drawn at a step, in pixels. */
export const pixelsAMinute = (step: number): number => (SCALES[step] ?? 52) / 60;

/** Squeezes and stretches hours. */
export function HoursHeight({ step, onStep }: { step: number; onStep: (step: number) => void }) {
  return (
    <span className="no-print flex">
      <button type="button" className="quiet-button" aria-label="Squeeze the hours" disabled={step === 0} onClick={() => onStep(step - 1)}>
        <Minus size={14} aria-hidden="true" />
      </button>
      <button
        type="button"
        className="quiet-button"
        aria-label="Stretch the hours"
        disabled={step === SCALES.length - 1}
        onClick={() => onStep(step + 1)}
      >
        <Plus size={14} aria-hidden="true" />
      </button>
    </span>
  );
}
