import { useEffect, useSyncExternalStore } from 'react';
import { useAppSelector } from '../features/session/state/state';

const dark = window.matchMedia('(prefers-color-scheme: dark)');

function listen(listener: () => void): () => void {
  dark.addEventListener('change', listener);
  return () => dark.removeEventListener('change', listener);
}

/** Puts theme, text size and what paper shows on the page, live. */
export function useTheme(): 'light' | 'dark' {
  const { theme, textSize, printSources } = useAppSelector((state) => state.settings);
  const systemDark = useSyncExternalStore(listen, () => dark.matches);
  const shown = theme === 'system' ? (systemDark ? 'dark' : 'light') : theme;
  useEffect(() => {
    document.documentElement.dataset['theme'] = shown;
    document.documentElement.dataset['paper'] = printSources ? 'with-sources' : 'plain';
    document.documentElement.style.setProperty('--text-size', String(textSize));
  }, [shown, textSize, printSources]);
  return shown;
}
