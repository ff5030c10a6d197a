import { useState } from 'react';
import { Dialog } from '../../ui/Dialog';
import type { TaskDialog } from '../session/task-dialog';
import { useAct } from '../session/use-act';

interface RemarkDialogProps {
  asked: Extract<TaskDialog, { is: 'remark' }>;
  onClose: () => void;
}

/** Asks why a task is cancelled; the answer becomes a line under it. */
export function RemarkDialog({ asked, onClose }: RemarkDialogProps) {
  const { task, openSteps } = asked;
  const [remark, setRemark] = useState('');
  const { act } = useAct();
  return (
    <Dialog open onClose={onClose} title="Cancel with a remark">
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          onClose();
          void act(task.ref, task.text, { do: 'status', status: 'cancelled', remark }, openSteps);
        }}
      >
        <p className="text-muted [overflow-wrap:anywhere]">{task.text}</p>
        <label className="grid gap-1">
          <span className="section-label">Why it is cancelled</span>
          <input className="field" autoFocus value={remark} onChange={(event) => setRemark(event.target.value)} />
          <span className="text-[0.86rem] text-muted">It is written as a line under the task.</span>
        </label>
        <button type="submit" className="solid-button justify-self-start">
          Cancel the task
        </button>
      </form>
    </Dialog>
  );
}
