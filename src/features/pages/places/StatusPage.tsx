import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { type Status, STATUSES, STATUS_NAMES, isOpen } from '../../../core/task/line/status';
import { foldPath } from '../../../core/note/names/path';
import { MarkPicture } from '../../../ui/marks/MarkPicture';
import { AgendaLists } from '../agenda/AgendaLists';
import { Sheet } from '../../note/page/Sheet';
import { PinHere } from '../../frame/rack/PinHere';
import { noteAddress, settingsAddress, statusAddress } from '../../session/places/addresses';
import { useAppSelector } from '../../session/state/state';
import { useAddedStatuses } from '../../session/state/use-statuses';

/** The page of a status: all tasks that bear it, by note; one of the five, or one that a note adds. */
export function StatusPage() {
  const name = useParams()['*'] ?? '';
  const added = useAddedStatuses();
  const isKnown = useAppSelector((state) => state.library.overview !== null);
  const own = added.find((status) => foldPath(status.name) === foldPath(name));
  const means = own?.means ?? STATUSES.find((status) => status === name.toLowerCase());
  const title = own?.name ?? (means ? STATUS_NAMES[means] : name);
  const gathers = useMemo(() => (means ? gathersOf(own ? `status = "${own.name}"` : means, means) : []), [own, means]);
  if (name === '') return <AllStatuses />;
  if (!means)
    return (
      <Sheet title={name} busy={!isKnown}>
        {isKnown && (
          <>
            <h1 className="font-title text-[1.86rem] font-bold">There is no status “{name}”</h1>
            <p className="mt-2 text-muted">
              It may have been renamed or removed. The{' '}
              <Link className="name-link" to={settingsAddress('statuses')}>
                settings
              </Link>{' '}
              list all there are.
            </p>
          </>
        )}
      </Sheet>
    );
  return (
    <Sheet title={title}>
      <header className="mb-4">
        <p className="text-[0.86rem] text-muted">Status</p>
        <div className="flex items-center gap-2">
          <MarkPicture look={{ status: means, priority: null, late: false, resting: false, added: own }} />
          <h1 className="min-w-0 flex-1 font-title text-[1.86rem] leading-tight font-bold">{title}</h1>
          <PinHere title={title} />
        </div>
        {own && (
          <p className="text-muted">
            Counts as{' '}
            <Link className="name-link" to={statusAddress(own.means)}>
              {STATUS_NAMES[own.means]}
            </Link>
            ; what it means stands in{' '}
            <Link className="name-link" to={noteAddress(own.path)}>
              its note
            </Link>
            .
          </p>
        )}
      </header>
      <AgendaLists path="" gathers={gathers} look="page" />
    </Sheet>
  );
}

function gathersOf(condition: string, means: Status): string[] {
  if (isOpen(means)) return [`where ${condition}\ngroup by note\norder by priority, due, since\nincluding resting`];
  return [`where ${condition}\norder by ${means === 'cancelled' ? 'cancelled' : 'done'} desc\nlimit 100`];
}

function AllStatuses() {
  const added = useAddedStatuses();
  return (
    <Sheet title="Statuses">
      <h1 className="mb-4 font-title text-[1.86rem] font-bold">Statuses</h1>
      <ul>
        {[...STATUSES.map((status) => [status, STATUS_NAMES[status]] as const), ...added.map(({ name }) => [name, name] as const)].map(
          ([key, words]) => (
            <li key={key} className="py-0.5">
              <Link className="name-link" to={statusAddress(key)}>
                {words}
              </Link>
            </li>
          ),
        )}
      </ul>
    </Sheet>
  );
}
