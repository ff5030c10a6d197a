import { type RefObject, useEffect, useRef } from 'react';
import { useLocation } from 'react-router';

/** A part of the settings that is scrolled to when the address names it behind `#`. */
export function useSectionAt(name: string): RefObject<HTMLElement | null> {
  const section = useRef<HTMLElement>(null);
  const { hash, key: visit } = useLocation();
  useEffect(() => {
    if (hash === `#${name}`) section.current?.scrollIntoView();
  }, [name, hash, visit]);
  return section;
}
