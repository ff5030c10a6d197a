import { useId } from 'react';
import { useFolders } from './use-folders';
import { Labelled } from '../../../ui/form/Labelled';

interface FolderFieldProps {
  value: string;
  onChange: (folder: string) => void;
}

/** A folder by name: one that exists, or a new one. */
export function FolderField({ value, onChange }: FolderFieldProps) {
  const folders = useFolders();
  const list = useId();
  return (
    <Labelled label="Folder">
      <input className="field" list={list} value={value} placeholder="none" onChange={(event) => onChange(event.target.value)} />
      <datalist id={list}>
        {folders.map((folder) => (
          <option key={folder} value={folder} />
        ))}
      </datalist>
    </Labelled>
  );
}
