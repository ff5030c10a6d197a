import { useState } from 'react';
import { timeName } from '../../../core/calendar/span';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useChangeDay } from '../use-change-day';
import { useMakeMeeting } from '../../meeting/making/use-make-meeting';

interface NewAppointmentProps {
  day: number;
  /** Minutes after midnight. */
  from: number;
  to: number;
  onClose: () => void;
}

/** Writes an appointment into the page of a day, with the times that were drawn; or makes the note of a meeting then. */
export function NewAppointment({ day, from, to, onClose }: NewAppointmentProps) {
  const { actions } = useServices();
  const change = useChangeDay(day);
  const heading = useAppSelector((state) => state.settings.planHeading);
  const makeMeeting = useMakeMeeting();
  const [words, setWords] = useState('');
  const times = `${timeName(from)}-${to === 1440 ? '24:00' : timeName(to % 1440)}`;
  const meet = async (): Promise<void> => {
    onClose();
    const { meetingOfWords } = await import('../../meeting/making/meeting-from');
    // The times are those that were drawn.
    await makeMeeting({ ...meetingOfWords(words, day), start: from, end: to });
  };
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
      className="grid min-w-44 gap-1 rounded-md border border-edge bg-sheet p-1 shadow-md"
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
          if (event.key === 'Enter' && event.shiftKey && words.trim() !== '') {
            event.preventDefault();
            void meet();
          }
        }}
      />
      {words.trim() !== '' && (
        <span className="flex flex-wrap gap-1 text-[0.84rem]">
          <button type="submit" className="quiet-button min-h-[25px] border border-edge">
            Appointment
          </button>
          <button type="button" className="quiet-button min-h-[25px] border border-edge" title="Shift+Enter" onClick={() => void meet()}>
            Meeting
          </button>
        </span>
      )}
    </form>
  );
}
