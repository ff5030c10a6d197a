import { useState } from 'react';
import type { OpenSteps } from '../../core/task/acts/intention';
import { Dialog } from '../../ui/Dialog';
import { useServices } from '../session/state/services';
import type { TaskDialog } from '../session/acting/task-dialog';
import { useAct } from '../session/acting/use-act';
import { Check } from '../../ui/form/Check';

interface StepsDialogProps {
  asked: Extract<TaskDialog, { is: 'steps' }>;
  onClose: () => void;
}

/** Asks once what becomes of the open steps of the tasks that are closed; the answer can be kept. */
export function StepsDialog({ asked, onClose }: StepsDialogProps) {
  const { tasks, intention, openSteps } = asked;
  const { changeSettings } = useServices();
  const { actAll } = useAct();
  const [keep, setKeep] = useState(false);
  const done = intention.status === 'done';
  const them = openSteps === 1 ? 'it' : 'them';
  const choose = (steps: OpenSteps): void => {
    onClose();
    if (keep) void changeSettings({ openSteps: steps });
    void actAll(tasks, [{ ...intention, steps }]);
  };
  return (
    <Dialog open onClose={onClose} title={openSteps === 1 ? 'One step is still open' : `${openSteps} steps are still open`}>
      <p className="mb-3 text-muted [overflow-wrap:anywhere]">
        {tasks.length === 1 ? tasks[0]?.text : `Of ${tasks.length} tasks that are closed together.`}
      </p>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="solid-button" autoFocus onClick={() => choose('leave')}>
          {`Leave ${them} open`}
        </button>
        <button type="button" className="line-button" onClick={() => choose('close')}>
          {`${done ? 'Finish' : 'Cancel'} ${them} too`}
        </button>
        <button type="button" className="line-button" onClick={() => choose('out')}>
          {`Move ${them} out, beside the task`}
        </button>
      </div>
      <Check checked={keep} onChange={setKeep} className="mt-3 text-[0.92rem]">
        Do so from now on; the settings can change it
      </Check>
    </Dialog>
  );
}
