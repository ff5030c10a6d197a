import { useState } from 'react';
import { isoDay } from '../../core/calendar/day';
import { timeName } from '../../core/calendar/span';
import { journalPathOf } from '../../core/index/live/journal-claims';
import { refuse } from '../session/acting/messages';
import { useToldDone } from '../session/acting/use-act';
import { useMadeText } from '../session/acting/use-made-text';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

interface NewAppointmentProps {
  day: number;
  /** Minutes after midnight. */
  from: number;
  to: number;
  onClose: () => void;
}

/** Writes an appointment into the page of a day, with the times that were drawn. */
export function NewAppointment({ day, from, to, onClose }: NewAppointmentProps) {
  const { actions, store } = useServices();
  const told = useToldDone();
  const madeText = useMadeText();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const heading = useAppSelector((state) => state.settings.planHeading);
  const [words, setWords] = useState('');
  const times = `${timeName(from)}-${to === 1440 ? '24:00' : timeName(to % 1440)}`;
  const write = async (): Promise<void> => {
    onClose();
    const path = journalPathOf(notes ?? [], day);
    const made = (await store.text(path)) === null ? await madeText('journal', isoDay(day), day) : '';
    const line = `- ${times} ${words.trim()}`;
    const result = await actions.writeLines(path, { heading, side: 'last' }, [line], `Appointment: ${words.trim()}`, made);
    if ('refused' in result) refuse(result.refused);
    else told(`${times} ${words.trim()}`, result.step);
  };
  return (
    <form
      className="p-0.5"
      onPointerDown={(event) => event.stopPropagation()}
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim() !== '') void write();
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
