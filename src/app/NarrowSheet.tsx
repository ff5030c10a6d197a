import type { MouseEvent } from 'react';
import { Beside } from '../features/frame/beside/Beside';
import { Rack } from '../features/frame/rack/Rack';
import { frameSlice } from '../features/session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../features/session/state/state';
import { Dialog } from '../ui/Dialog';

/** In narrow windows rack and beside are sheets over the page; where one goes from there, the sheet goes. */
export function NarrowSheet() {
  const sheet = useAppSelector((state) => state.frame.sheet);
  const dispatch = useAppDispatch();
  const close = (): void => void dispatch(frameSlice.actions.sheetShown(null));
  const leave = (event: MouseEvent): void => {
    if ((event.target as HTMLElement).closest('a')) close();
  };
  return (
    <>
      <Dialog side="left" title="Rack" open={sheet === 'rack'} onClose={close}>
        <div className="-mx-2 flex-1" onClick={leave}>
          <Rack />
        </div>
      </Dialog>
      <Dialog side="right" title="Beside" open={sheet === 'beside'} onClose={close}>
        <div className="-mx-4 flex-1 bg-ground" onClick={leave}>
          <Beside />
        </div>
      </Dialog>
    </>
  );
}
