import { MoreHorizontal } from 'lucide-react';
import { type ReactNode, createContext, useContext, useEffect, useMemo, useState } from 'react';
import type { RowView } from '../../../core/index/live/view';
import type { WideIntention } from '../../../core/task/acts/intention';
import { MenuAt, MenuEntry, MenuLine } from '../../../ui/menu/menu';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';
import { dialogTask } from '../../session/acting/task-dialog';
import { GatherSource } from '../gather-source';
import { late } from '../../../ui/late';

const TaskEntries = late(() => import('./TaskEntries').then((part) => part.TaskEntries));

/** What a row's menu acts on, and the button that opened it. */
interface AskedMenu {
  row: RowView;
  button: HTMLElement;
  onAct: (intentions: readonly WideIntention[]) => void;
  /** Null where the words cannot be changed in place. */
  onReword: (() => void) | null;
}

const OpenMenu = createContext<(asked: AskedMenu) => void>(() => undefined);

/** The one menu that the rows of a list share: a menu a row would cost more than everything else in it. */
export function RowMenus({ children }: { children: ReactNode }) {
  const [asked, setAsked] = useState<AskedMenu | null>(null);
  const dispatch = useAppDispatch();
  const source = useContext(GatherSource);
  const place = useMemo(() => asked?.button.getBoundingClientRect(), [asked]);
  useEffect(() => {
    const row = asked?.button.closest('[data-row]');
    row?.setAttribute('data-asked', '');
    return () => row?.removeAttribute('data-asked');
  }, [asked]);
  return (
    <OpenMenu value={setAsked}>
      {children}
      {asked && place && (
        <MenuAt
          open
          onOpenChange={(open) => !open && setAsked(null)}
          trigger={
            <span
              aria-hidden="true"
              tabIndex={-1}
              className="pointer-events-none fixed"
              style={{ left: place.left, top: place.top, width: place.width, height: place.height }}
            />
          }
          aria-label={`Actions for ${asked.row.text}`}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (asked.button.isConnected) asked.button.focus();
          }}
        >
          <TaskEntries rows={[asked.row]} onAct={asked.onAct} {...(asked.onReword && { onReword: asked.onReword })}>
            {source && (
              <>
                <MenuLine />
                <MenuEntry
                  label="Why it stands here"
                  onSelect={() =>
                    dispatch(
                      frameSlice.actions.whyAsked({ task: dialogTask(asked.row), gather: source.text, at: source.at, kept: source.kept }),
                    )
                  }
                />
              </>
            )}
          </TaskEntries>
        </MenuAt>
      )}
    </OpenMenu>
  );
}

interface RowMenuButtonProps {
  row: RowView;
  onAct: (intentions: readonly WideIntention[]) => void;
  onReword: (() => void) | null;
}

/** Opens the menu of a row; it shows when the pointer or the focus is on the row. */
export function RowMenuButton({ row, onAct, onReword }: RowMenuButtonProps) {
  const open = useContext(OpenMenu);
  return (
    <button
      type="button"
      aria-haspopup="menu"
      aria-label={`Actions for ${row.text}`}
      className="row-more quiet-button no-print opacity-0 group-focus-within/row:opacity-100 group-hover/row:opacity-100 focus-visible:opacity-100 pointer-coarse:opacity-100"
      onClick={(event) => open({ row, button: event.currentTarget, onAct, onReword })}
    >
      {DOTS}
    </button>
  );
}

/** One drawing for all rows: a list has tens of thousands of them. */
const DOTS = <MoreHorizontal size={15} aria-hidden="true" />;
