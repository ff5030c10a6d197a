import { LazyRenameDialog } from '../../note/rename/LazyRenameDialog';

interface RenameFolderProps {
  path: string;
  onClose: () => void;
  /** Called with the path that the folder has then. */
  onDone: (path: string) => void;
}

/** Renames a folder with all that lies in it; links by path follow. */
export function RenameFolder({ path, onClose, onDone }: RenameFolderProps) {
  const pathOf = (typed: string): string => typed.replace(/^\/+|\/+$/g, '');
  return (
    <LazyRenameDialog
      name={path}
      renaming={(after) => (after === '' || /[<>:"\\|?*#\]]/.test(after) ? null : { is: 'folder', before: path, after: pathOf(after) })}
      rule='The name of a folder has none of < > : " \ | ? * # ].'
      onClose={onClose}
      onDone={(after) => {
        onClose();
        onDone(pathOf(after));
      }}
    />
  );
}
