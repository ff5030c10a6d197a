import { X } from 'lucide-react';
import { useEffect, useId, useRef, useState } from 'react';
import type { LineRef } from '../../core/task/writing/edit';
import { isOpen } from '../../core/task/line/status';
import type { FoundTask } from '../../core/index/questions/of-a-task/found-task';
import { useServices } from '../session/state/services';
import { type Need, needKey } from './details';
import { Labelled } from '../../ui/form/Labelled';

interface NeedsFieldProps {
  /** The task itself, which cannot need itself. */
  own: LineRef;
  needs: readonly Need[];
  onChange: (needs: Need[]) => void;
}

/** What must be closed first, each by its words; another is picked by typing some of them. */
export function NeedsField({ own, needs, onChange }: NeedsFieldProps) {
  const { engine } = useServices();
  const [words, setWords] = useState('');
  const [found, setFound] = useState<FoundTask[]>([]);
  const [chosen, setChosen] = useState(0);
  const list = useId();
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    let current = true;
    void (words.trim() === '' ? Promise.resolve([]) : engine.ask('find', { words: words.trim() })).then((tasks) => {
      if (!current) return;
      setChosen(0);
      setFound(tasks.filter((task) => isOpen(task.status) && !(task.path === own.path && task.line === own.line)).slice(0, 6));
    });
    return () => {
      current = false;
    };
  }, [engine, words, own]);
  const pick = (task: FoundTask | undefined): void => {
    if (!task) return;
    const need: Need = { ref: null, text: task.text, at: { path: task.path, line: task.line, expected: task.raw } };
    setWords('');
    field.current?.focus();
    if (!needs.some((one) => one.at && one.at.path === task.path && one.at.line === task.line)) onChange([...needs, need]);
  };
  return (
    <div className="relative grid gap-1">
      <Labelled label="Needs">
        <input
          ref={field}
          className="field w-full"
          role="combobox"
          aria-expanded={found.length > 0}
          aria-controls={list}
          aria-autocomplete="list"
          aria-activedescendant={found.length > 0 ? `${list}-${chosen}` : undefined}
          value={words}
          placeholder="Words of a task that must be closed first"
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => {
            if (found.length === 0) return;
            const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
            if (step !== 0) setChosen((chosen + step + found.length) % found.length);
            else if (event.key === 'Enter') pick(found[chosen]);
            else if (event.key === 'Escape') setWords('');
            else return;
            event.preventDefault();
            event.stopPropagation();
          }}
        />
      </Labelled>
      {found.length > 0 && (
        <ul id={list} role="listbox" aria-label="Tasks that fit" className="menu-panel absolute top-full z-10 w-full">
          {found.map((task, index) => (
            <li
              key={`${task.path}:${task.line}`}
              id={`${list}-${index}`}
              role="option"
              aria-selected={index === chosen}
              className={`menu-item ${index === chosen ? 'bg-primary-soft' : ''}`}
              onPointerDown={(event) => {
                event.preventDefault();
                pick(task);
              }}
            >
              <span className="min-w-0 flex-1 truncate">{task.text}</span>
              <span className="text-[0.82rem] text-muted">{task.noteTitle}</span>
            </li>
          ))}
        </ul>
      )}
      {needs.length > 0 && (
        <ul className="grid gap-0.5">
          {needs.map((need) => (
            <li key={needKey(need)} className="flex items-center gap-1 text-[0.92rem]">
              <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{need.text}</span>
              <button
                type="button"
                className="quiet-button"
                aria-label={`No longer needs ${need.text}`}
                onClick={() => onChange(needs.filter((one) => one !== need))}
              >
                <X size={14} aria-hidden="true" />
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
