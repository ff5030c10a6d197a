import { useEffect, useRef } from 'react';

/** Tells a number to the component above whenever it changes. */
export function useReport(value: number, report: (value: number) => void): void {
  const latest = useRef(report);
  useEffect(() => {
    latest.current = report;
  });
  useEffect(() => latest.current(value), [value]);
}
