import { foldPath, withoutEnding } from '../../../core/note/names/path';
import { MenuEntry, MenuLine } from '../../../ui/menu/menu';
import { taskLink } from '../links/task-link';
import { copyText } from '../../session/acting/copy-text';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useAtCursor } from '../use-at-cursor';

/** A link to a note, or to the heading or task at the cursor, for texts; and its address for elsewhere. */
export function CopyLinkEntries({ path, title }: { path: string; title: string }) {
  const { actions } = useServices();
  const shared = useAppSelector((state) => state.library.overview?.sharedNames);
  const { heading, task } = useAtCursor(path);
  // By its path where others are called the same.
  const name = shared?.includes(foldPath(title)) ? withoutEnding(path) : title;
  const links = [`[[${name}]]`, ...(heading === null ? [] : [`[[${name}#${heading}]]`])];
  const copyTask = async (form: 'text' | 'address'): Promise<void> => {
    const link = task && (await taskLink(actions, { path, line: task.line, expected: task.raw }, task.text, form));
    if (link) await copyText(link);
  };
  return (
    <>
      {links.map((link) => (
        <MenuEntry key={link} label={link} onSelect={() => void copyText(link)} />
      ))}
      <MenuEntry label="As a web address" onSelect={() => void copyText(`${location.origin}${noteAddress(path)}`)} />
      {task && (
        <>
          <MenuLine />
          <MenuEntry label="The task at the cursor, for a text" onSelect={() => void copyTask('text')} />
          <MenuEntry label="The task at the cursor, as a web address" onSelect={() => void copyTask('address')} />
        </>
      )}
    </>
  );
}
