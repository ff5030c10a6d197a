import { refuse, say } from '../../session/telling/messages';
import { baseNameOf, fileNameOf } from '../../../core/note/names/path';
import { Dialog } from '../../../ui/Dialog';
import { saveFile } from '../../files/out/save-file';
import { DISK_FULL } from '../../../store/notes/failure';
import { Sizes } from '../../keep/Sizes';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** The notes that could not be saved, why, and the ways their words can be kept. */
export function UnsavedDialog({ onClose }: { onClose: () => void }) {
  const { texts } = useServices();
  const save = useAppSelector((state) => state.frame.save);
  const failed = save.is === 'failed' ? save.texts : [];
  const copy = async (path: string): Promise<void> => {
    try {
      await navigator.clipboard.writeText(texts.textAt(path) ?? '');
      say(`The text of “${baseNameOf(path)}” is copied.`);
    } catch {
      refuse('The browser does not let the page copy. Save the text as a file instead.');
    }
  };
  return (
    <Dialog open onClose={onClose} title="Not saved">
      {failed.length === 0 ? (
        <p role="status">Everything is saved now.</p>
      ) : (
        <div className="grid gap-3">
          <p>The words are kept here, also when you go to another page, and are tried again by themselves.</p>
          <ul className="grid gap-3">
            {failed.map(({ path, reason }) => (
              <li key={path} className="grid gap-1.5 border-t border-line pt-2">
                <span className="font-semibold [overflow-wrap:anywhere]">{path}</span>
                <span className="text-muted">{reason}</span>
                <span className="flex flex-wrap gap-2">
                  <button type="button" className="line-button" onClick={() => void copy(path)}>
                    Copy the text
                  </button>
                  <button
                    type="button"
                    className="line-button"
                    onClick={() => saveFile(fileNameOf(path), new TextEncoder().encode(texts.textAt(path) ?? ''))}
                  >
                    Save it as a file
                  </button>
                </span>
              </li>
            ))}
          </ul>
          {failed.some(({ reason }) => reason.startsWith(DISK_FULL)) && (
            <section aria-label="What can be let go" className="border-t border-line pt-2">
              <h3 className="mb-1 font-semibold">What can be let go</h3>
              <Sizes />
            </section>
          )}
          <button type="button" className="solid-button justify-self-start" autoFocus onClick={() => void texts.saveAll()}>
            Try again now
          </button>
        </div>
      )}
    </Dialog>
  );
}
