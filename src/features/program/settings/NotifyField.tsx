import { useState } from 'react';
import { Choice } from '../../../ui/form/Choice';

interface NotifyFieldProps {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
}

/** Whether the system tells reminders too; the browser is asked for it when it is chosen. */
export function NotifyField({ label, value, onChange }: NotifyFieldProps) {
  const [refused, setRefused] = useState(typeof Notification !== 'undefined' && Notification.permission === 'denied');
  const isThere = typeof Notification !== 'undefined';
  const choose = async (wanted: boolean): Promise<void> => {
    onChange(wanted);
    if (wanted && isThere) setRefused((await Notification.requestPermission()) === 'denied');
  };
  return (
    <div>
      <Choice
        label={label}
        value={value ? 'system' : 'inside'}
        options={[
          ['inside', 'are said inside Recado'],
          ['system', 'are told by the system too'],
        ]}
        onChoose={(chosen) => void choose(chosen === 'system')}
      />
      <p className="mt-1 text-[0.86rem] text-muted">
        {value && (refused || !isThere) && (
          <strong className="text-late">
            The browser does not let Recado tell them: allow notifications for this page in its settings.{' '}
          </strong>
        )}
        Nothing rings while no page of Recado is open; what was missed is said when one opens again.
      </p>
    </div>
  );
}
