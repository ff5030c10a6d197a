import { type FormEvent, useEffect, useState } from 'react';
import type { JoinedLent } from './join-lent';
import { type Present, colourOf, presentIn } from './presence';

/** Who has it open, and what one is called oneself. The name lasts as long as the page: nothing is stored. */
export function WhoIsHere({ lent, asks }: { lent: JoinedLent; asks: boolean }) {
  const [present, setPresent] = useState<readonly Present[]>([]);
  const [isNaming, setNaming] = useState(false);
  const [name, setName] = useState('');
  useEffect(() => {
    const look = (): void => setPresent(presentIn(lent.awareness));
    lent.awareness.on('change', look);
    look();
    return () => lent.awareness.off('change', look);
  }, [lent]);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    lent.rename(name.trim());
    setNaming(false);
  };
  const others = present.filter(({ isSelf }) => !isSelf);
  return (
    <span className="flex flex-wrap items-center gap-x-2 gap-y-1">
      {others.map(({ id, name: called, isOwner }) => (
        <span key={id} className="flex items-center gap-1 text-[0.9rem]">
          <span aria-hidden="true" className="h-2.5 w-2.5 rounded-full" style={{ background: colourOf(id) }} />
          <span className="max-w-[12ch] truncate">{isOwner ? 'Its owner' : called}</span>
        </span>
      ))}
      {asks &&
        (isNaming ? (
          <form onSubmit={submit}>
            <input
              className="field w-40"
              aria-label="What others call you"
              autoFocus
              maxLength={40}
              value={name}
              onChange={({ target }) => setName(target.value)}
              onBlur={submit}
            />
          </form>
        ) : (
          <button type="button" className="line-button" onClick={() => setNaming(true)}>
            {name.trim() === '' ? 'Say who you are' : name.trim()}
          </button>
        ))}
    </span>
  );
}
