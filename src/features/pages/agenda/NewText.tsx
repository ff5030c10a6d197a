import { useEffect, useState } from 'react';
import { SHIPPED_MEMORY, readShippedMemory, settleOffer } from '../../program/opening/renew-pages';
import { useServices } from '../../session/state/services';

/** On a page that a person changed, when what ships as it is another by now: the new text is offered, once. */
export function NewText({ path, onTake }: { path: string; onTake: () => void }) {
  const { store } = useServices();
  const [offered, setOffered] = useState(false);
  useEffect(() => {
    const look = (): void =>
      void store
        .value(SHIPPED_MEMORY)
        .then((value) => setOffered(readShippedMemory(value).offers.includes(path)))
        .catch(() => undefined);
    look();
    return store.listen({ valueChanged: (id) => id === SHIPPED_MEMORY && look() });
  }, [store, path]);
  if (!offered) return null;
  const settle = (): void => void settleOffer(store, path).catch(() => undefined);
  return (
    <p role="status" className="no-print mb-3 flex flex-wrap items-center gap-x-3 gap-y-1 rounded-md bg-raised px-3 py-1.5">
      <span className="flex-1">You changed this page, so it stayed as it is. What Recado ships as it is a new text now.</span>
      <button
        type="button"
        className="line-button"
        onClick={() => {
          onTake();
          settle();
        }}
      >
        Take the new text
      </button>
      <button type="button" className="quiet-button" onClick={settle}>
        Keep mine
      </button>
    </p>
  );
}
