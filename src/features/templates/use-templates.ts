import { useEffect, useState } from 'react';
import type { Template } from '../../core/index/questions/forms';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';

/** The templates, by path; null until they are known. */
export function useTemplates(): readonly Template[] | null {
  const { engine } = useServices();
  const [templates, setTemplates] = useState<readonly Template[] | null>(null);
  const ready = useAppSelector((state) => state.library.overview !== null);
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    void engine.ask('templates', {}).then((found) => {
      if (!gone) setTemplates(found);
    });
    return () => {
      gone = true;
    };
  }, [engine, ready]);
  return templates;
}
