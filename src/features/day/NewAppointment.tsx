import { useState } from 'react';
import { timeName } from '../../core/calendar/span';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChangeDay } from './use-change-day';

interface NewAppointmentProps {
  day: number;
  /** Minutes after midnight. */
  from: number;
  to: number;
  onClose: () => void;
}

/** Writes an appointment into the page of a day, with the times that were drawn. */
export function NewAppointment({ day, from, to, onClose }: NewAppointmentProps) {
  const { actions } = useServices();
  const change = useChangeDay(day);
  const heading = useAppSelector((state) => state.settings.planHeading);
  const [words, setWords] = useState('');
  const times = `${timeName(from)}-${to === 1440 ? '24:00' : timeName(to % 1440)}`;
  const write = (): void => {
    onClose();
    const text = words.trim();
    void change(
      (path, made) => actions.writeLines(path, { heading, side: 'last' }, [`- ${times} ${text}`], `Appointment: ${text}`, made),
      `${times} ${text}`,
    );
  };
  return (
    <form
      className="p-0.5"
      onPointerDown={(event) => event.stopPropagation()}
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim() !== '') write();
      }}
    >
      <input
        autoFocus
        className="field min-h-[26px] w-full py-0 text-[0.84rem]"
        aria-label={`Appointment, ${times}`}
        placeholder={times}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        onBlur={() => words.trim() === '' && onClose()}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onClose();
        }}
      />
    </form>
  );
}
