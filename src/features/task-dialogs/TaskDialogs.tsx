import type { TaskDialog } from '../session/acting/task-dialog';
import { DayDialog } from './DayDialog';
import { DetailsDialog } from './DetailsDialog';
import { NamesDialog } from './NamesDialog';
import { PlaceDialog } from './PlaceDialog';
import { RaiseDialog } from './RaiseDialog';
import { RemarkDialog } from './RemarkDialog';
import { StepsDialog } from './StepsDialog';

/** The dialog about tasks that is asked for. */
export function TaskDialogs({ asked, onClose }: { asked: TaskDialog; onClose: () => void }) {
  switch (asked.is) {
    case 'details':
      return <DetailsDialog asked={asked} onClose={onClose} />;
    case 'day':
      return <DayDialog asked={asked} onClose={onClose} />;
    case 'names':
      return <NamesDialog asked={asked} onClose={onClose} />;
    case 'place':
      return <PlaceDialog asked={asked} onClose={onClose} />;
    case 'raise':
      return <RaiseDialog asked={asked} onClose={onClose} />;
    case 'remark':
      return <RemarkDialog asked={asked} onClose={onClose} />;
    case 'steps':
      return <StepsDialog asked={asked} onClose={onClose} />;
  }
}
