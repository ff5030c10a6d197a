import { useEffect, useState } from 'react';
import { useServices } from '../state/services';

/** Changes that come in a row count once, in milliseconds. */
const REST = 200;

/** How often notes changed since it was first asked: what is asked of all notes is asked anew when it grows. */
export function useChanges(): number {
  const { store } = useServices();
  const [count, setCount] = useState(0);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const changed = (): void => {
      timer ??= setTimeout(() => {
        timer = null;
        setCount((before) => before + 1);
      }, REST);
    };
    const stop = store.listen({ changed });
    return () => {
      stop();
      if (timer) clearTimeout(timer);
    };
  }, [store]);
  return count;
}
