import { ageSealer } from '../desk/age-sealer';
import { type tabOn, desk, until } from '../test-desk';
import { SealDesk } from './seal-desk';

/** The work of trying a passphrase in tests: next to none. */
const WORK = 4;

/** The seals of a tab. */
export function sealsOf(tab: Pick<ReturnType<typeof tabOn>, 'store' | 'openTexts' | 'problems'>): SealDesk {
  return new SealDesk({
    store: tab.store,
    texts: tab.openTexts,
    begin: () => ({ sealer: ageSealer, end: () => undefined }),
    work: WORK,
    sealed: () => Promise.resolve({ sealed: 0, failed: 0 }),
    problem: (error) => tab.problems.push(error),
  });
}

/** A desk with some notes, and a seal that is open. */
export async function sealedDesk(notes: Record<string, string>, titles: 'hidden' | 'shown' = 'hidden', folders: string[] = []) {
  const tab = desk(notes);
  await tab.ready;
  const seals = sealsOf(tab);
  const seal = await seals.make('Private', 'salt and oak', { titles, folders });
  return { ...tab, seals, seal };
}

/** Everything that the database of a desk holds, as one text in which words can be looked for; bytes by their letters. */
export async function allThatIsKept(store: ReturnType<typeof tabOn>['store'], storage?: Storage): Promise<string> {
  const parts: string[] = [];
  for (const table of store.db.tables)
    parts.push(
      JSON.stringify(await table.toArray(), (_, value: unknown) =>
        value instanceof Uint8Array ? new TextDecoder('latin1').decode(value) : value,
      ),
    );
  if (storage) for (let at = 0; at < storage.length; at++) parts.push(`${storage.key(at)} ${storage.getItem(storage.key(at) ?? '')}`);
  return parts.join('\n');
}

export { until };
