import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { dayName } from '../../../core/calendar/day-name';
import type { MetOn, PersonFacts } from '../../../core/index/questions/people';
import { noteAddress, personAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAsked } from '../../session/asked/use-asked';
import { useAppSelector } from '../../session/state/state';
import { PEOPLE_COLUMNS, type PeopleColumn, type PeopleOrder, calledIn, nextOrder, sortedPeople } from './sorted-people';

const HEADS: Record<PeopleColumn, string> = {
  name: 'Person',
  open: 'Open with',
  owned: 'Owned by',
  asked: 'Asked by',
  last: 'Last met',
  next: 'Next meeting',
};

/** So many people stand in the table at once. */
const MOST = 60;

/** Everybody who is named or has a page: what is open with them, when one met last, and when next. */
export function PeopleTable() {
  const people = useAsked('people', {});
  const [order, setOrder] = useState<PeopleOrder>({ by: 'open', descending: true });
  const [all, setAll] = useState(false);
  const sorted = useMemo(() => sortedPeople(people ?? [], order), [people, order]);
  if (people === undefined) return <p className="mb-6 text-muted">Looking…</p>;
  if (people.length === 0) return <p className="mb-6 text-muted">Nobody is named yet: write @someone anywhere.</p>;
  return (
    <section className="mb-6 overflow-x-auto" aria-label="All people">
      <table className="w-full border-collapse text-[0.93rem]">
        <thead>
          <tr className="border-b border-edge text-muted">
            {PEOPLE_COLUMNS.map((column) => (
              <Head key={column} column={column} order={order} onOrder={() => setOrder(nextOrder(order, column))} />
            ))}
          </tr>
        </thead>
        <tbody>
          {(all ? sorted : sorted.slice(0, MOST)).map((one) => (
            <Person key={one.name} person={one} />
          ))}
        </tbody>
      </table>
      {!all && sorted.length > MOST && (
        <button type="button" className="quiet-button text-[0.86rem]" onClick={() => setAll(true)}>
          Show all {sorted.length}
        </button>
      )}
    </section>
  );
}

function Head({ column, order, onOrder }: { column: PeopleColumn; order: PeopleOrder; onOrder: () => void }) {
  const here = order.by === column;
  return (
    <th
      scope="col"
      className={`py-1 pe-3 font-semibold whitespace-nowrap ${COUNTED.has(column) ? 'text-end' : 'text-start'}`}
      aria-sort={here ? (order.descending ? 'descending' : 'ascending') : undefined}
    >
      <button type="button" className="inline-flex min-h-[25px] items-center gap-1 rounded-md px-1 hover:bg-raised" onClick={onOrder}>
        {HEADS[column]}
        {here && (order.descending ? <ArrowDown size={13} aria-hidden="true" /> : <ArrowUp size={13} aria-hidden="true" />)}
      </button>
    </th>
  );
}

const COUNTED: ReadonlySet<PeopleColumn> = new Set(['open', 'owned', 'asked']);

function Person({ person }: { person: PersonFacts }) {
  const { name, fullName, path, open, owned, asked, last, next } = person;
  return (
    <tr className="border-b border-line hover:bg-raised">
      <th scope="row" className="py-1 pe-3 text-start font-normal">
        <Link className="name-link" to={path === null ? personAddress(name) : noteAddress(path)}>
          {calledIn(person)}
        </Link>
        {fullName !== null && <span className="ms-2 text-[0.86rem] text-muted">@{name}</span>}
        {path === null && <span className="ms-2 text-[0.86rem] text-muted">has no page yet</span>}
      </th>
      {[open, owned, asked].map((count, index) => (
        <td key={index} className="py-1 pe-4 text-end tabular-nums">
          {count === 0 ? '' : count}
        </td>
      ))}
      <Met met={last} />
      <Met met={next} />
    </tr>
  );
}

/** The day of a meeting, which leads there. */
function Met({ met }: { met: MetOn | null }) {
  const { day: today } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  return (
    <td className="py-1 pe-3 whitespace-nowrap">
      {met && (
        <Link className="hover:underline" to={noteAddress(met.path)}>
          {dayName(met.date, today, style)}
        </Link>
      )}
    </td>
  );
}
