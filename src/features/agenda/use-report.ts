import { useEffect, useRef } from 'react';

/** Tells a value to the component above whenever it changes. */
export function useReport<T>(value: T, report: (value: T) => void): void {
  const latest = useRef(report);
  useEffect(() => {
    latest.current = report;
  });
  useEffect(() => latest.current(value), [value]);
}
