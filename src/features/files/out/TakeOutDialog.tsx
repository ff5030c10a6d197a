import { useState } from 'react';
import { Choice } from '../../../ui/form/Choice';
import { Dialog } from '../../../ui/Dialog';
import type { AskedTakeOut } from '../../session/acting/task-dialog';
import { counted } from '../../session/acting/use-act';
import { useAsked } from '../../session/asked/use-asked';
import { TakeOut } from './TakeOut';

interface TakeOutDialogProps {
  asked: AskedTakeOut;
  onClose: () => void;
}

/** Takes a note, a part of one or a list out, from its own menu. */
export function TakeOutDialog({ asked, onClose }: TakeOutDialogProps) {
  return (
    <Dialog open onClose={onClose} title={`Take out: ${asked.title}`} side="wide">
      {asked.what !== 'lists' ? <Part asked={asked} /> : asked.isPage ? <Page asked={asked} /> : <Lists asked={asked} />}
    </Dialog>
  );
}

function Part({ asked }: { asked: Exclude<AskedTakeOut, { what: 'lists' }> }) {
  if (asked.what === 'text') {
    const { title, text } = asked;
    return (
      <TakeOut
        taken={{ is: 'text', title, text }}
        first="plain"
        says={`${counted(text.split('\n').length - 1, 'line')}, as they would be written into a note now.`}
        isOne
      />
    );
  }
  const { title, first } = asked;
  if (asked.what === 'note') {
    const { path } = asked;
    return (
      <TakeOut taken={{ is: 'note', path, title }} first={first ?? 'markdown'} says={`The note ${path}, with every task in it.`} isOne />
    );
  }
  const { ref } = asked;
  return (
    <TakeOut taken={{ is: 'lines', ref, title }} first={first ?? 'plain'} says={`From ${ref.path}, with all that stands under it.`} isOne />
  );
}

/** A page of gathers: what its lists hold, or the note with their text. */
function Page({ asked }: { asked: Extract<AskedTakeOut, { what: 'lists' }> }) {
  const [what, setWhat] = useState<'lists' | 'note'>('lists');
  const { at, title } = asked;
  return (
    <div className="grid gap-3">
      <Choice
        label="What"
        value={what}
        options={[
          ['lists', 'What its lists hold'],
          ['note', 'The page as a note, with what it asks'],
        ]}
        onChoose={setWhat}
      />
      {what === 'lists' ? <Lists asked={asked} /> : <Part asked={{ what: 'note', path: at ?? '', title }} />}
    </div>
  );
}

function Lists({ asked }: { asked: Extract<AskedTakeOut, { what: 'lists' }> }) {
  const { texts, at, title, columns, first } = asked;
  const lists = useAsked('listed', { texts, at });
  if (!lists) return <p role="status">Looking…</p>;
  const held = lists.filter(({ groups }) => groups.some(({ rows }) => rows.length > 0));
  const count = held.flatMap(({ groups }) => groups).reduce((sum, { rows }) => sum + rows.length, 0);
  if (count === 0) return <p>Nothing stands there now, so there is nothing to take out.</p>;
  const where = held.length > 1 ? ` in ${held.length} lists` : '';
  return (
    <TakeOut
      taken={{ is: 'lists', title, lists }}
      first={first ?? 'plain'}
      says={`${counted(count, 'row')}${where}, as they stand there, each with its steps.`}
      isOne
      {...(columns && { columns })}
    />
  );
}
