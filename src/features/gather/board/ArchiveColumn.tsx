import { useState } from 'react';
import type { BoardColumn } from '../../../core/gather/answer/board';
import type { RowView } from '../../../core/index/live/view';
import { dialogTask } from '../../session/acting/task-dialog';
import { useAct } from '../../session/acting/use-act';
import { useNow } from '../../session/state/services';
import { civilFrom } from '../../../core/calendar/day';

/** Takes the finished cards of a board into an archive of the year, once it was said how many they are. */
export function ArchiveColumn({ column }: { column: BoardColumn<RowView> }) {
  const { actAll } = useAct();
  const { day } = useNow();
  const [isAsked, setIsAsked] = useState(false);
  const cards = column.all.filter(({ what }) => what === 'task');
  if (cards.length === 0) return null;
  const note = `Archive/Finished ${civilFrom(day).year}`;
  if (!isAsked)
    return (
      <button type="button" className="line-button no-print mt-1" onClick={() => setIsAsked(true)}>
        Archive {cards.length}…
      </button>
    );
  return (
    <div role="group" aria-label="Archive finished cards" className="no-print mt-1 rounded-md bg-raised p-2 text-[0.9rem]">
      <p>
        {cards.length === 1 ? 'One finished card goes' : `${cards.length} finished cards go`} with all that stands under{' '}
        {cards.length === 1 ? 'it' : 'them'} into the note “{note}”.
      </p>
      <p className="mt-1 flex gap-1">
        <button
          type="button"
          autoFocus
          className="quiet-button border border-edge"
          onClick={() => {
            setIsAsked(false);
            void actAll(cards.map(dialogTask), [{ do: 'archive', to: note }]);
          }}
        >
          Archive them
        </button>
        <button type="button" className="quiet-button" onClick={() => setIsAsked(false)}>
          Leave them
        </button>
      </p>
    </div>
  );
}
