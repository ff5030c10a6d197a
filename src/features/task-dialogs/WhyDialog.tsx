import { useEffect, useState } from 'react';
import type { Why, WhyNode } from '../../core/gather/why';
import { Dialog } from '../../ui/Dialog';
import { useServices } from '../session/services';
import { useAppSelector } from '../session/state';
import type { TaskDialog } from '../session/task-dialog';

interface WhyDialogProps {
  asked: Extract<TaskDialog, { is: 'why' }>;
  onClose: () => void;
}

/** Why a task stands in a list: every condition with what was found at it. */
export function WhyDialog({ asked, onClose }: WhyDialogProps) {
  const { task, gather, at } = asked;
  const { engine } = useServices();
  const overview = useAppSelector((state) => state.library.overview);
  const [why, setWhy] = useState<Why | null | undefined>();
  useEffect(() => {
    let current = true;
    void engine.why(gather, at, task.ref.path, task.ref.line).then((found) => current && setWhy(found));
    return () => {
      current = false;
    };
  }, [engine, gather, at, task, overview]);
  return (
    <Dialog open onClose={onClose} title="Why it stands here">
      <p className="mb-2 text-muted [overflow-wrap:anywhere]">{task.text}</p>
      {why === undefined && <p className="text-muted">Looking…</p>}
      {why === null && <p>The task or the gather is no longer there.</p>}
      {why && (
        <>
          <p className="mb-2">{why.because}</p>
          <ul className="text-[0.92rem]">
            <WhyLine node={why.tree} />
          </ul>
          {why.changes.length > 0 && (
            <p className="mt-2 text-[0.92rem]">To let it in: {why.changes.map((way) => way.join(' and ')).join('; or ')}.</p>
          )}
        </>
      )}
    </Dialog>
  );
}

function WhyLine({ node }: { node: WhyNode }) {
  const words = WORDS[node.condition] ?? null;
  return (
    <li>
      <span className={node.holds ? 'text-kept' : 'text-late'}>{node.holds ? 'holds' : 'fails'}</span>{' '}
      {words === null ? <code className="font-mono text-[0.92em]">{node.condition}</code> : <span>{words}</span>}
      {node.found !== null && <span className="text-muted"> · {node.found}</span>}
      {node.parts.length > 0 && (
        <ul className="ms-4 border-s border-line ps-3">
          {node.parts.map((part, index) => (
            <WhyLine key={index} node={part} />
          ))}
        </ul>
      )}
    </li>
  );
}

const WORDS: Record<string, string> = { and: 'all of', or: 'one of', not: 'not', everything: 'everything' };
