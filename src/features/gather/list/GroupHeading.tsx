import { ArrowUpToLine, ChevronDown, ChevronRight } from 'lucide-react';
import { useContext } from 'react';
import type { GroupView } from '../../../core/index/live/view';
import { refuse } from '../../session/telling/messages';
import { useAct } from '../../session/acting/use-act';
import { countWords } from './count-words';
import { GatherSource } from '../gather-source';
import { useTaskDrop } from '../rows/use-task-drop';

interface GroupHeadingProps {
  group: GroupView;
  folded: boolean;
  level: 'h3' | 'h4';
  /** Whether a person put it on top of its list. */
  onTop: boolean;
  onTopped: () => void;
  onFold: () => void;
}

/** What a group is called and how much it holds; a click folds it, and a task dropped on it comes to stand in it. */
export function GroupHeading({ group, folded, level: Level, onTop, onTopped, onFold }: GroupHeadingProps) {
  const source = useContext(GatherSource);
  const { actAll } = useAct();
  const key = source?.groupBy.length === 1 ? source.groupBy[0] : undefined;
  const { isOver, handlers } = useTaskDrop(({ tasks, from }) => {
    void import('../../../core/gather/writing/drop').then(({ dropInto }) => {
      if (!key) return;
      const drop = dropInto(key, from?.length === 1 ? (from[0] ?? null) : null, group.keys[0] ?? null);
      if ('refused' in drop) refuse(drop.refused);
      else if (drop.intentions.length > 0) void actAll(tasks, drop.intentions);
    });
  });
  return (
    <Level className="group/heading flex items-center gap-1 pt-2.5 pb-0.5 font-title text-[1.02rem] font-semibold">
      <button
        type="button"
        aria-expanded={!folded}
        className={`-ms-1.5 flex items-center gap-1 rounded-md px-1.5 text-start hover:bg-raised ${isOver ? 'bg-primary-soft' : ''}`}
        onClick={onFold}
        {...(key && handlers)}
      >
        {folded ? <ChevronRight size={14} aria-hidden="true" /> : <ChevronDown size={14} aria-hidden="true" />}
        {group.label}
        <span className="font-sans text-[0.85rem] font-normal text-muted">{countWords(group)}</span>
      </button>
      <button
        type="button"
        aria-pressed={onTop}
        aria-label={`${group.label} on top`}
        title={onTop ? 'Where it belongs again' : 'Put it on top'}
        className={`quiet-button no-print ${onTop ? 'text-primary' : 'opacity-0 group-hover/heading:opacity-100 focus-visible:opacity-100'}`}
        onClick={onTopped}
      >
        <ArrowUpToLine size={13} aria-hidden="true" />
      </button>
    </Level>
  );
}
