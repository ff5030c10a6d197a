import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { GivenFile } from '../../../engine/files/read-given';
import { Dialog } from '../../../ui/Dialog';
import { Logo } from '../../../ui/Logo';
import { BringInDialog } from '../../files/in/BringInDialog';
import { LinkForm } from '../../keep/desk/LinkForm';
import { wordsOfLink } from '../../session/places/addresses';
import { ROUTES } from '../../session/places/routes';
import { useServices } from '../../session/state/services';
import { addAgendaPages, addDemo } from './first-notes';
import { useWaysBack } from './use-ways-back';

interface OpeningProps {
  /** Whether a desk was here, and the browser lost the store in which it was. */
  isLost: boolean;
  onOpened: () => void;
}

/** What is met where no desk is open: the demo's world, an empty desk, or what is brought from elsewhere, and that first where a desk was lost. */
export function Opening({ isLost, onOpened }: OpeningProps) {
  const { store, clock } = useServices();
  const navigate = useNavigate();
  /** What is brought in: files that are asked for, or some that there are. */
  const [importing, setImporting] = useState<'asks' | GivenFile[] | null>(null);
  const [imported, setImported] = useState(false);
  // A code that was scanned leads here with its words.
  const [linking, setLinking] = useState(location.pathname === ROUTES.link);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const open = async (withDemo: boolean): Promise<void> => {
    setBusy(true);
    const pages = await addAgendaPages(store);
    const demo = withDemo && !('refused' in pages) ? await addDemo(store, clock.now().day) : pages;
    setBusy(false);
    if ('refused' in demo) setProblem(demo.refused);
    else onOpened();
  };
  const back = useWaysBack(isLost, { onFiles: setImporting, onJoined: onOpened });
  const demo = { words: 'Look around in the demo', go: () => void open(true) };
  const empty = { words: 'Begin with an empty desk', go: () => void open(false) };
  const bring = [
    { words: 'Bring your own files', go: () => setImporting('asks') },
    { words: 'Link to a desk on the server', go: () => setLinking(true) },
  ];
  return (
    <main className="flex min-h-full items-center justify-center bg-ground p-6">
      <div className="w-full max-w-[34rem] rounded-xl bg-sheet p-8 sm:p-10">
        <h1>
          <Logo />
        </h1>
        {isLost ? (
          <div role="alert" className="mt-5 grid gap-2">
            <h2 className="font-title text-[1.3rem] font-bold">The notes that were in this browser are gone</h2>
            <p>
              A desk was open here before. The browser could not read its store any more, and has made a new one with nothing in it. What is
              kept elsewhere can be brought back: a copy, a folder, an export, a desk on the server.
            </p>
          </div>
        ) : (
          <p className="mt-5">
            Write a task on the line where you think of it: in a meeting note, a project, today’s page. Recado gathers those lines where you
            need them, and a tick in any place changes the one line. Your notes stay in this browser as plain Markdown, and can be saved as
            files at any time.
          </p>
        )}
        <div className="mt-6 grid gap-2">
          {back !== 'looking' &&
            (isLost ? [...back, ...bring, empty, demo] : [demo, empty, ...bring]).map(({ words, go }, at) => (
              <button
                key={words}
                type="button"
                className={`${at === 0 ? 'solid-button' : 'line-button'} justify-center`}
                disabled={busy}
                autoFocus={at === 0}
                onClick={go}
              >
                {words}
              </button>
            ))}
        </div>
        {problem !== null && (
          <p role="alert" className="mt-4 rounded-md bg-late-soft px-3 py-1.5 text-late">
            {problem}
          </p>
        )}
        <p className="mt-4 text-[0.86rem] text-muted">
          The demo is a museum of weather and the sea preparing an exhibition. One click in the settings deletes it.
        </p>
        <Dialog open={linking} onClose={() => setLinking(false)} title="Link to a desk">
          <LinkForm
            words={wordsOfLink(location.hash)}
            onLinked={() => {
              void navigate(ROUTES.first, { replace: true });
              onOpened();
            }}
          />
        </Dialog>
        <BringInDialog
          open={importing !== null}
          given={importing === 'asks' ? null : importing}
          onCameIn={() => setImported(true)}
          onClose={() => {
            setImporting(null);
            if (imported) void open(false);
          }}
        />
      </div>
    </main>
  );
}
