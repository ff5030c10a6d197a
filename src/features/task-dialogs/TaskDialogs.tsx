import { frameSlice } from '../session/frame-slice';
import { useAppDispatch, useAppSelector } from '../session/state';
import { DayDialog } from './DayDialog';
import { DetailsDialog } from './DetailsDialog';
import { NamesDialog } from './NamesDialog';
import { PlaceDialog } from './PlaceDialog';
import { RemarkDialog } from './RemarkDialog';
import { StepsDialog } from './StepsDialog';

/** The dialog about tasks that is asked for, from whatever place. */
export function TaskDialogs() {
  const asked = useAppSelector((state) => state.frame.taskDialog);
  const dispatch = useAppDispatch();
  const close = (): void => void dispatch(frameSlice.actions.taskDialogShown(null));
  switch (asked?.is) {
    case undefined:
      return null;
    case 'details':
      return <DetailsDialog asked={asked} onClose={close} />;
    case 'day':
      return <DayDialog asked={asked} onClose={close} />;
    case 'names':
      return <NamesDialog asked={asked} onClose={close} />;
    case 'place':
      return <PlaceDialog asked={asked} onClose={close} />;
    case 'remark':
      return <RemarkDialog asked={asked} onClose={close} />;
    case 'steps':
      return <StepsDialog asked={asked} onClose={close} />;
  }
}
