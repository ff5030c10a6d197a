import { foldPath, withoutEnding } from '../../core/note/names/path';
import { MenuEntry } from '../../ui/menu';
import { copyText } from '../session/acting/copy-text';
import { noteAddress } from '../session/places/addresses';
import { useAppSelector } from '../session/state/state';
import { useHeadingAtCursor } from './use-heading-at-cursor';

/** A link to a note, or to the heading at the cursor, for texts; and its address for elsewhere. */
export function CopyLinkEntries({ path, title }: { path: string; title: string }) {
  const shared = useAppSelector((state) => state.library.overview?.sharedNames);
  const heading = useHeadingAtCursor(path);
  // By its path where others are called the same.
  const name = shared?.includes(foldPath(title)) ? withoutEnding(path) : title;
  const links = [`[[${name}]]`, ...(heading === null ? [] : [`[[${name}#${heading}]]`])];
  return (
    <>
      {links.map((link) => (
        <MenuEntry key={link} label={link} onSelect={() => void copyText(link)} />
      ))}
      <MenuEntry label="As a web address" onSelect={() => void copyText(`${location.origin}${noteAddress(path)}`)} />
    </>
  );
}
