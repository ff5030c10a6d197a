import { baseNameOf } from '../../../core/note/names/path';
import { saveFile } from '../../files/out/save-file';
import { Sheet } from './Sheet';

/** A file that is no UTF-8 text: kept byte for byte, shown as far as it can be, never edited. */
export function BytesPage({ path, bytes }: { path: string; bytes: Uint8Array }) {
  const title = baseNameOf(path);
  const preview = new TextDecoder('utf-8').decode(bytes.subarray(0, 20_000));
  return (
    <Sheet title={title}>
      <h1 className="font-title text-[1.86rem] font-bold">{title}</h1>
      <p role="status" className="mt-2 rounded-md bg-sun-soft px-3 py-1.5">
        This file is not UTF-8 text. Its {bytes.length.toLocaleString('en')} bytes are kept and exported unchanged, and it cannot be edited
        here. To work with it, save it as UTF-8 in a text editor and import it again.
      </p>
      <button type="button" className="line-button mt-3" onClick={() => saveFile(path.slice(path.lastIndexOf('/') + 1), bytes)}>
        Save the file
      </button>
      <pre className="mt-4 overflow-x-auto rounded-lg bg-raised p-3 font-mono text-[0.85rem] whitespace-pre-wrap">{preview}</pre>
    </Sheet>
  );
}
