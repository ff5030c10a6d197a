import { useEffect, useRef } from 'react';

/** The newest value, for what is called later. */
export function useLatest<T>(value: T): { readonly current: T } {
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  }, [value]);
  return latest;
}
