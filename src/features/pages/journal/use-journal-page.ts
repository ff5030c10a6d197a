import { useEffect, useState } from 'react';
import { type Day, isoDay } from '../../../core/calendar/day';
import { journalClaims, journalPathOf } from '../../../core/index/live/journal-claims';
import { withFields, quotedYaml } from '../../../core/note/facts/with-fields';
import { foldName } from '../../../core/note/names/names';
import { pathFor } from '../../../core/note/names/path';
import type { NoteSummary } from '../../../core/index/live/overview';
import { type Seal, sealOfFolder } from '../../../core/sharing/seal/seal-note';
import { hidesTitle, withTitleSaid } from '../../../core/sharing/seal/sealed-names';
import { isOpenSeal, useSeals } from '../../sharing/seal/use-seals';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** The page of a day in the journal that is chosen. */
export type DayInJournal =
  | { is: 'finding' }
  /** Its journal is sealed, and closed. */
  | { is: 'closed'; seal: Seal }
  | {
      is: 'page';
      path: string;
      /** The name of another journal; null for the one there is always. */
      journal: string | null;
      /** What a page that begins says besides: whose it is. */
      begins: (text: string) => string;
    };

/** Where the page of a day is, in the journal that is chosen; of another journal also where it is to be. */
export function useJournalPage(day: Day, notes: readonly NoteSummary[]): DayInJournal {
  const { store } = useServices();
  const chosen = useAppSelector((state) => state.frame.journal);
  const journals = useAppSelector((state) => state.settings.journals);
  const seals = useSeals();
  const journal = journals.find(({ name }) => chosen !== null && foldName(name) === foldName(chosen)) ?? null;
  const clear = journal && pathFor(journal.folder, isoDay(day));
  const there = journal && (journalClaims(notes, day, journal.name)[0]?.path ?? null);
  const seal = clear === null ? null : sealOfFolder(seals.seals, clear);
  const isClosed = seal !== null && !isOpenSeal(seals, seal);
  const [placed, setPlaced] = useState<{ of: string; path: string } | null>(null);
  const wanted = there === null && !isClosed ? clear : null;
  useEffect(() => {
    if (wanted === null) return;
    let gone = false;
    void (store.opener?.placed(wanted) ?? Promise.resolve(wanted)).then((path) => {
      if (!gone && typeof path === 'string') setPlaced({ of: wanted, path });
    });
    return () => {
      gone = true;
    };
  }, [store, wanted, seals]);
  if (journal === null || clear === null) return { is: 'page', path: journalPathOf(notes, day), journal: null, begins: (text) => text };
  if (isClosed && seal) return { is: 'closed', seal };
  const path = there ?? (placed?.of === clear ? placed.path : null);
  if (path === null) return { is: 'finding' };
  const begins = (text: string): string => {
    const own = withFields(text, { kind: 'journal', journal: quotedYaml(journal.name) });
    return hidesTitle(path) ? withTitleSaid(clear, own) : own;
  };
  return { is: 'page', path, journal: journal.name, begins };
}
