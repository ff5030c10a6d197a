import { useState } from 'react';
import { helpAddress } from '../session/places/addresses';
import { Link } from 'react-router';
import { Sheet } from '../note/page/Sheet';
import { SheetPart } from '../note/page/SheetPart';
import { CopyPreview } from './copies/CopyPreview';
import { Copies } from './copies/Copies';
import { DeskPart } from './desk/DeskPart';
import { DeletedNotes } from './DeletedNotes';
import { FolderPart } from './folder/FolderPart';
import type { MeantCopy } from './copies/meant-copy';
import { Sizes } from './Sizes';

/** What is kept beside the notes: copies of everything, what was deleted, and what all of it takes. */
export function KeepPage() {
  const [meant, setMeant] = useState<MeantCopy | null>(null);
  // What it takes is counted anew when a copy came or went.
  const [copied, setCopied] = useState(0);
  return (
    <Sheet title="What is kept">
      <header className="mb-5">
        <h1 className="font-title text-[1.86rem] leading-tight font-bold">What is kept</h1>
        <p className="text-muted">
          Each note keeps the texts that it had; copies of everything are made by themselves.{' '}
          <Link className="name-link" to={helpAddress('keeping')}>
            How it is kept
          </Link>
        </p>
      </header>
      <SheetPart title="Copies">
        <Copies onLook={setMeant} onCopied={() => setCopied((count) => count + 1)} />
        {meant && <CopyPreview key={meant.name} copy={meant} onClose={() => setMeant(null)} />}
      </SheetPart>
      <SheetPart title="A desk on the server">
        <DeskPart />
      </SheetPart>
      <SheetPart title="A folder on disk">
        <FolderPart />
      </SheetPart>
      <SheetPart title="Deleted notes">
        <DeletedNotes />
      </SheetPart>
      <SheetPart title="What it takes">
        <Sizes key={copied} />
      </SheetPart>
    </Sheet>
  );
}
