import { useEffect, useState } from 'react';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useChanges } from '../../session/asked/use-changes';
import { LengthBars } from './LengthBars';

const DAYS = 84;

/** How much was finished on each side in the last twelve weeks; nothing where there are no sides. */
export function FinishedBySide() {
  const { engine } = useServices();
  const changes = useChanges();
  const sides = useAppSelector((state) => state.settings.sides);
  const isReady = useAppSelector((state) => state.library.overview !== null);
  const [counts, setCounts] = useState<readonly { name: string; value: number }[]>([]);
  useEffect(() => {
    if (!isReady) return;
    let gone = false;
    const look = async (): Promise<void> => {
      const found = await Promise.all(
        sides.map(async ({ name, condition }) => ({
          name,
          value: (await engine.ask('matching', { text: `where done in last ${DAYS} days and (${condition})`, at: null })).length,
        })),
      );
      if (!gone) setCounts(found);
    };
    void look();
    return () => {
      gone = true;
    };
  }, [engine, isReady, sides, changes]);
  if (counts.length === 0) return null;
  return (
    <LengthBars
      title="Finished by side, in twelve weeks"
      rows={counts.map(({ name, value }) => ({ key: name, name, value, said: String(value) }))}
    />
  );
}
