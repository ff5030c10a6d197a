import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** The sides of one's work and life: one or several are looked at at once, on every agenda page and on the day. */
export function SideChoice() {
  const all = useAppSelector((state) => state.settings.sides);
  const chosen = useAppSelector((state) => state.frame.sides);
  const dispatch = useAppDispatch();
  if (all.length === 0) return null;
  return (
    <span role="group" aria-label="Sides" className="flex flex-wrap">
      {all.map(({ name }) => {
        const isOn = chosen.includes(name);
        return (
          <button
            key={name}
            type="button"
            aria-pressed={isOn}
            className={`quiet-button ${isOn ? 'bg-primary-soft font-semibold text-ink' : ''}`}
            onClick={() => dispatch(frameSlice.actions.sideToggled(name))}
          >
            {name}
          </button>
        );
      })}
    </span>
  );
}
