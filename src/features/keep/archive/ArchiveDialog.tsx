import type { ArchivePlan, LeftWhy } from '../../../core/keep/archive/plan-archive';
import { foldPath } from '../../../core/note/names/path';
import { Dialog } from '../../../ui/Dialog';
import type { AskedDialog } from '../../session/acting/task-dialog';
import { counted } from '../../session/acting/use-act';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch } from '../../session/state/state';
import { useArchive } from './use-archive';
import { useArchivePlan } from './use-archive-plan';

interface ArchiveDialogProps {
  asked: Extract<AskedDialog, { is: 'archive' }>;
  onClose: () => void;
}

/** Says how many of what goes where, before anything does. */
export function ArchiveDialog({ asked, onClose }: ArchiveDialogProps) {
  const looked = useArchivePlan(asked);
  const archive = useArchive();
  const dispatch = useAppDispatch();
  const plan = looked !== null && 'going' in looked ? looked : null;
  const count = plan?.going.length ?? 0;
  return (
    <Dialog open onClose={onClose} title="Archive">
      {looked !== null && 'failed' in looked ? (
        <p role="alert">{looked.failed} Nothing was archived.</p>
      ) : plan === null ? (
        <p role="status" className="text-muted">
          Looking what is finished…
        </p>
      ) : (
        <div className="grid gap-3">
          <p>{saidOf(plan)}</p>
          {count > 0 && <Targets plan={plan} />}
          <LeftLines left={plan.left} />
          <p className="flex flex-wrap gap-2">
            {count > 0 && (
              <button
                type="button"
                autoFocus
                className="solid-button"
                onClick={() => {
                  onClose();
                  void archive(plan);
                }}
              >
                Archive {count === 1 ? 'it' : 'them'}
              </button>
            )}
            {count > 0 && count <= MOST_ELSEWHERE && (
              <button
                type="button"
                className="line-button"
                onClick={() =>
                  dispatch(
                    frameSlice.actions.dialogShown({
                      is: 'place',
                      what: 'archive',
                      tasks: plan.going.map(({ ref }) => ({ ref, text: ref.expected.trim() })),
                    }),
                  )
                }
              >
                To another note…
              </button>
            )}
            <button type="button" className="line-button" autoFocus={count === 0} onClick={onClose}>
              {count === 0 ? 'Close' : `Leave ${count === 1 ? 'it' : 'them'}`}
            </button>
          </p>
        </div>
      )}
    </Dialog>
  );
}

/** More lines than these go where the settings say. */
const MOST_ELSEWHERE = 200;

function saidOf({ going }: ArchivePlan): string {
  if (going.length === 0) return 'Nothing finished is here that could go to an archive.';
  const notes = new Set(going.map(({ ref }) => foldPath(ref.path))).size;
  const [item, goes] = going.length === 1 ? ['One finished item', 'goes'] : [`${going.length} finished items`, 'go'];
  return `${item} from ${counted(notes, 'note')} ${goes}, with all that stands under ${going.length === 1 ? 'it' : 'them'}:`;
}

function Targets({ plan: { going } }: { plan: ArchivePlan }) {
  const counts = new Map<string, number>();
  for (const { to } of going) counts.set(to, (counts.get(to) ?? 0) + 1);
  return (
    <ul aria-label="Where they go" className="max-h-[30vh] overflow-auto">
      {[...counts].map(([to, count]) => (
        <li key={to} className="flex gap-2">
          <span className="min-w-8 text-end font-semibold tabular-nums">{count}</span>
          <span className="[overflow-wrap:anywhere]">to “{to}”</span>
        </li>
      ))}
    </ul>
  );
}

const LEFT_WORDS: Record<LeftWhy, (count: number) => string> = {
  'open steps': (count) => `${counted(count, 'finished item')} with open steps ${stays(count)}.`,
  'open task': (count) => `${counted(count, 'finished step')} of open tasks ${stays(count)} with them.`,
  open: (count) => `${counted(count, 'task')} that ${count === 1 ? 'is' : 'are'} not finished ${stays(count)}.`,
  archived: (count) => `${counted(count, 'line')} ${count === 1 ? 'stands' : 'stand'} in an archive already.`,
  'own archive': (count) => `${counted(count, 'line')} ${count === 1 ? 'stands' : 'stand'} in a note that names itself as its archive.`,
  gone: (count) => `${counted(count, 'line')} ${count === 1 ? 'was' : 'were'} changed meanwhile and ${stays(count)}.`,
};

const stays = (count: number): string => (count === 1 ? 'stays' : 'stay');

function LeftLines({ left }: { left: ArchivePlan['left'] }) {
  const lines = (Object.keys(LEFT_WORDS) as LeftWhy[]).filter((why) => left[why] > 0);
  if (lines.length === 0) return null;
  return (
    <ul aria-label="What stays" className="text-muted">
      {lines.map((why) => (
        <li key={why}>{LEFT_WORDS[why](left[why])}</li>
      ))}
    </ul>
  );
}
