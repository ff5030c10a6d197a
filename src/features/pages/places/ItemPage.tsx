import { useEffect, useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { Sheet } from '../../note/page/Sheet';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';

/** The address of a task leads to its line, wherever it stands now. */
export function ItemPage() {
  const ref = useParams()['ref'] ?? '';
  const { engine } = useServices();
  const isRead = useAppSelector((state) => state.library.overview !== null);
  const [found, setFound] = useState<{ of: string; address: string | null } | null>(null);
  useEffect(() => {
    if (!isRead) return;
    let gone = false;
    void engine.ask('tasksOf', { refs: [ref] }).then(([task]) => {
      if (!gone) setFound({ of: ref, address: task ? noteAddress(task.path, task.line) : null });
    });
    return () => {
      gone = true;
    };
  }, [engine, isRead, ref]);
  if (found?.of !== ref) return <Sheet title="" busy />;
  if (found.address !== null) return <Navigate to={found.address} replace />;
  return (
    <Sheet title="No such task">
      <h1 className="font-title text-[1.86rem] font-bold">There is no such task</h1>
      <p className="mt-2 text-muted">No task bears the mark {ref}, or several do. It may have been deleted.</p>
    </Sheet>
  );
}
