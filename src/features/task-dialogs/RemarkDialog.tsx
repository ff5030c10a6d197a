import { useState } from 'react';
import { Dialog } from '../../ui/Dialog';
import type { TaskDialog } from '../session/acting/task-dialog';
import { counted, useAct } from '../session/acting/use-act';
import { Labelled } from '../../ui/form/Labelled';

interface RemarkDialogProps {
  asked: Extract<TaskDialog, { is: 'remark' }>;
  onClose: () => void;
}

const WORDS = {
  done: { title: 'Done, with a word', label: 'What is to be said about it', act: ['Done', 'All done'] },
  cancelled: { title: 'Cancel with a remark', label: 'Why', act: ['Cancel the task', 'Cancel the tasks'] },
} as const;

/** Asks for a word about tasks that are closed; it becomes a line under each. */
export function RemarkDialog({ asked, onClose }: RemarkDialogProps) {
  const { tasks, status } = asked;
  const [remark, setRemark] = useState('');
  const { actAll } = useAct();
  const single = tasks.length === 1;
  const { title, label, act } = WORDS[status];
  return (
    <Dialog open onClose={onClose} title={title}>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onClose();
          void actAll(tasks, [{ do: 'status', status, ...(remark.trim() !== '' && { remark }) }]);
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{single ? tasks[0]?.text : counted(tasks.length, 'task')}</p>
        <Labelled label={label}>
          <input className="field" autoFocus value={remark} onChange={(event) => setRemark(event.target.value)} />
          <span className="text-[0.86rem] text-muted">It is written as a line under {single ? 'the task' : 'each task'}.</span>
        </Labelled>
        <button type="submit" className="solid-button justify-self-start">
          {single ? act[0] : act[1]}
        </button>
      </form>
    </Dialog>
  );
}
