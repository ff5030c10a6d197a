import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Dialog } from '../../ui/Dialog';
import { Logo } from '../../ui/Logo';
import { BringInDialog } from '../files/in/BringInDialog';
import { LinkForm } from '../keep/desk/LinkForm';
import { wordsOfLink } from '../session/places/addresses';
import { ROUTES } from '../session/places/routes';
import { useServices } from '../session/state/services';
import { addAgendaPages, addDemo } from './first-notes';

/** The first opening: the demo's world, an empty desk, or one's own files. */
export function Opening({ onOpened }: { onOpened: () => void }) {
  const { store, clock } = useServices();
  const navigate = useNavigate();
  const [importing, setImporting] = useState(false);
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
  return (
    <main className="flex min-h-full items-center justify-center bg-ground p-6">
      <div className="w-full max-w-[34rem] rounded-xl bg-sheet p-8 sm:p-10">
        <h1>
          <Logo />
        </h1>
        <p className="mt-5">
          Write a task on the line where you think of it: in a meeting note, a project, today’s page. Recado gathers those lines where you
          need them, and a tick in any place changes the one line. Your notes stay in this browser as plain Markdown, and can be saved as
          files at any time.
        </p>
        <div className="mt-6 grid gap-2">
          <button type="button" className="solid-button justify-center" disabled={busy} autoFocus onClick={() => void open(true)}>
            Look around in the demo
          </button>
          <button type="button" className="line-button justify-center" disabled={busy} onClick={() => void open(false)}>
            Begin with an empty desk
          </button>
          <button type="button" className="line-button justify-center" disabled={busy} onClick={() => setImporting(true)}>
            Bring your own files
          </button>
          <button type="button" className="line-button justify-center" disabled={busy} onClick={() => setLinking(true)}>
            Link to a desk on the server
          </button>
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
          open={importing}
          given={null}
          onCameIn={() => setImported(true)}
          onClose={() => {
            setImporting(false);
            if (imported) void open(false);
          }}
        />
      </div>
    </main>
  );
}
