import { CalendarPlus } from 'lucide-react';
import type { LiHTMLAttributes } from 'react';
import type { RowView } from '../../../core/index/live/view';
import type { useLongPress } from './picking/row-picking';
import { useAside } from './use-aside';

interface AsideRowProps extends LiHTMLAttributes<HTMLLIElement> {
  row: RowView;
  press: ReturnType<typeof useLongPress>;
  /** Puts it off until tomorrow. */
  onTomorrow: () => void;
}

/** A row by touch: moved aside it shows a button at its end, and moved further it does what the button does. */
export function AsideRow({ row, press, onTomorrow, className = '', children, ...rest }: AsideRowProps) {
  const { shown, act, handlers } = useAside(row, press, onTomorrow);
  return (
    <li {...rest} {...handlers} className={`${className} ${shown ? 'relative overflow-hidden' : ''}`}>
      {shown && (
        <button
          type="button"
          aria-label={`To tomorrow: ${row.text}`}
          className="no-print absolute inset-y-0 end-0 flex w-28 flex-col items-center justify-center rounded-md bg-primary text-[0.86rem] font-semibold text-on-primary"
          onClick={act}
        >
          <CalendarPlus size={17} aria-hidden="true" />
          To tomorrow
        </button>
      )}
      {children}
    </li>
  );
}
