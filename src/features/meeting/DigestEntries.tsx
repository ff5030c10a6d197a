import { baseNameOf } from '../../core/note/names/path';
import { MenuEntry } from '../../ui/menu/menu';
import { saveFile } from '../files/out/save-file';
import { copyText } from '../session/acting/copy-text';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** What is done with the digest of a meeting beside writing it into its note. */
export function DigestEntries({ path, title }: { path: string; title: string }) {
  const { engine } = useServices();
  const heading = useAppSelector((state) => state.settings.digestHeading);
  const digest = async (): Promise<string> => `${(await engine.ask('digest', { path, heading })).join('\n')}\n`;
  const save = async (): Promise<void> =>
    saveFile(`${baseNameOf(path)}, ${heading}.md`, new Blob([`# ${title}\n\n${await digest()}`], { type: 'text/markdown' }));
  return (
    <>
      <MenuEntry label="Copy the digest as text" onSelect={() => void digest().then(copyText)} />
      <MenuEntry label="Save the digest as a Markdown file" onSelect={() => void save()} />
    </>
  );
}
