import { zipSync } from 'fflate';
import { isPictureFile } from '../../../core/note/names/picture-path';
import { useRef, useState } from 'react';
import { isHidden, isNoteFile } from '../../../core/note/names/path';
import { keptFiles } from '../../../store/pictures/kept-files';
import { FolderSync } from '../../../store/folder/folder-sync';
import { GivenFolder } from '../../../store/folder/given-folder';
import { InSteps } from '../../../store/folder/in-step';
import { folderFailure } from '../../../store/folder/folder-failure';
import { givenFrom } from '../../files/in/given-files';
import { saveFile } from '../../files/out/save-file';
import { refuse } from '../../session/telling/messages';
import { counted } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';

interface Outcome {
  folder: GivenFolder;
  cameIn: number;
  beside: readonly { path: string; other: string }[];
  asks: number;
}

/** Keeps a folder the same by hand, where the browser gives no access to it: it is given, merged, and gets what goes out as a zip. */
export function FolderByHand() {
  const { store, texts } = useServices();
  const field = useRef<HTMLInputElement>(null);
  const [outcome, setOutcome] = useState<Outcome | 'reading' | null>(null);
  const given = useRef<GivenFolder | null>(null);
  const merge = async (folder: GivenFolder, confirmed: boolean): Promise<void> => {
    setOutcome('reading');
    try {
      await texts.saveAll();
      const report = await new FolderSync(keptFiles(store), folder, await InSteps.load(store.db), () => store.opener).pass(confirmed);
      setOutcome({ folder, cameIn: report.cameIn.length + report.merged.length, beside: report.beside, asks: report.asks });
    } catch (error) {
      setOutcome(null);
      refuse(`The folder could not be read. ${folderFailure(error)}`);
    }
  };
  const take = (list: FileList | null): void => {
    if (!list) return;
    const files = givenFrom(list).filter(({ path }) => (isNoteFile(path) || isPictureFile(path)) && !isHidden(path));
    given.current = new GivenFolder(
      files.map(({ path, file }) => ({
        path,
        size: file.size,
        modified: file.lastModified,
        read: async () => new Uint8Array(await file.arrayBuffer()),
      })),
    );
    void merge(given.current, false);
  };
  return (
    <>
      <p className="mb-2 text-muted">
        This browser gives no access to folders, so a folder is kept the same by hand: choose it, and its files and your notes are brought
        together just so; what has to go into it is saved as a zip, which you unpack there.
      </p>
      <button type="button" className="line-button" onClick={() => field.current?.click()}>
        Choose a folder…
      </button>
      <input
        ref={(input) => {
          field.current = input;
          input?.setAttribute('webkitdirectory', '');
        }}
        type="file"
        hidden
        aria-label="The folder to bring together"
        onChange={(event) => {
          take(event.target.files);
          event.target.value = '';
        }}
      />
      {outcome === 'reading' && <p role="status">Reading…</p>}
      {outcome !== null && outcome !== 'reading' && (
        <Came outcome={outcome} onConfirm={() => given.current && void merge(given.current, true)} />
      )}
    </>
  );
}

function Came({ outcome: { folder, cameIn, beside, asks }, onConfirm }: { outcome: Outcome; onConfirm: () => void }) {
  const save = (): void => {
    saveFile('recado-folder.zip', zipSync(Object.fromEntries(folder.written)));
  };
  return (
    <div role="status" className="mt-2 grid gap-1">
      <p>
        {counted(cameIn, 'note')} came in or were merged, {counted(folder.written.size, 'file')} to go out.
        {beside.length > 0 && ` ${counted(beside.length, 'note')} changed in the same lines: the file’s text stands beside each.`}
      </p>
      {folder.removed.length > 0 && <p className="[overflow-wrap:anywhere]">To be removed from the folder: {folder.removed.join(', ')}.</p>}
      {asks > 0 && (
        <p>
          {counted(asks, 'file')} that stood there are gone.{' '}
          <button type="button" className="line-button" onClick={onConfirm}>
            Remove their notes
          </button>
        </p>
      )}
      {folder.written.size > 0 && (
        <button type="button" className="line-button justify-self-start" onClick={save}>
          Save what goes out as a zip
        </button>
      )}
    </div>
  );
}
