import { useState } from 'react';
import { Dialog } from '../../ui/Dialog';
import type { TaskDialog } from '../session/task-dialog';
import { counted, useAct } from '../session/use-act';

interface RemarkDialogProps {
  asked: Extract<TaskDialog, { is: 'remark' }>;
  onClose: () => void;
}

/** Asks why tasks are cancelled; the answer becomes a line under each. */
export function RemarkDialog({ asked, onClose }: RemarkDialogProps) {
  const { tasks } = asked;
  const [remark, setRemark] = useState('');
  const { actAll } = useAct();
  const single = tasks.length === 1;
  return (
    <Dialog open onClose={onClose} title="Cancel with a remark">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onClose();
          void actAll(tasks, [{ do: 'status', status: 'cancelled', remark }]);
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{single ? tasks[0]?.text : counted(tasks.length, 'task')}</p>
        <label className="grid gap-1">
          <span className="section-label">{single ? 'Why it is cancelled' : 'Why they are cancelled'}</span>
          <input className="field" autoFocus value={remark} onChange={(event) => setRemark(event.target.value)} />
          <span className="text-[0.86rem] text-muted">It is written as a line under {single ? 'the task' : 'each task'}.</span>
        </label>
        <button type="submit" className="solid-button justify-self-start">
          {single ? 'Cancel the task' : 'Cancel the tasks'}
        </button>
      </form>
    </Dialog>
  );
}
