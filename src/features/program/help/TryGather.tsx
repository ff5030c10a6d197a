import { useState } from 'react';
import { AgendaLists } from '../../pages/agenda/AgendaLists';
import { gatherBlock } from '../../../core/gather/saying/gather-block';
import { copyText } from '../../session/acting/copy-text';

/** An example of a gather: pressed, it is asked of one's own notes. */
export function TryGather({ text }: { text: string }) {
  const [isAsked, setIsAsked] = useState(false);
  return (
    <div className="my-2 rounded-md bg-raised">
      <pre className="overflow-x-auto p-2.5 font-mono text-[0.84rem]">
        <code>{text}</code>
      </pre>
      <p className="no-print flex gap-1 px-1.5 pb-1.5">
        <button
          type="button"
          className="quiet-button border border-edge text-[0.86rem]"
          aria-expanded={isAsked}
          onClick={() => setIsAsked(!isAsked)}
        >
          {isAsked ? 'Put the answer away' : 'Ask it of my notes'}
        </button>
        <button type="button" className="quiet-button text-[0.86rem]" onClick={() => void copyText(gatherBlock(text))}>
          Copy it
        </button>
      </p>
      {isAsked && (
        <div className="rounded-b-md border border-line bg-sheet px-3 pt-2">
          <AgendaLists path="" gathers={[text]} look="page" titled />
        </div>
      )}
    </div>
  );
}
