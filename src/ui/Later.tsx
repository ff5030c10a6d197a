import { type ReactNode, useEffect, useState } from 'react';

/** Shows something only after a while, in milliseconds, so that what a page is for goes before it. */
export function Later({ after, children }: { after: number; children: ReactNode }) {
  const [isTime, setIsTime] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsTime(true), after);
    return () => clearTimeout(timer);
  }, [after]);
  return isTime ? children : null;
}
