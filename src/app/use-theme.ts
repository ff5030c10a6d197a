import { useEffect, useSyncExternalStore } from 'react';
import { useAppSelector } from '../features/session/state/state';

const dark = window.matchMedia('(prefers-color-scheme: dark)');
const contrasting = window.matchMedia('(prefers-contrast: more)');

function listen(listener: () => void): () => void {
  for (const asked of [dark, contrasting]) asked.addEventListener('change', listener);
  return () => {
    for (const asked of [dark, contrasting]) asked.removeEventListener('change', listener);
  };
}

/** Puts theme, the looks of one's own and what paper shows on the page, live. */
export function useTheme(): 'light' | 'dark' {
  const { theme, textSize, printSources, textFace, lineWidth, accent, contrast } = useAppSelector((state) => state.settings);
  const systemDark = useSyncExternalStore(listen, () => dark.matches);
  const systemContrast = useSyncExternalStore(listen, () => contrasting.matches);
  const isHigh = contrast === 'high' || (contrast === 'system' && systemContrast);
  const shown = theme === 'system' ? (systemDark ? 'dark' : 'light') : theme;
  useEffect(() => {
    const { dataset } = document.documentElement;
    Object.assign(dataset, { theme: shown, accent, face: textFace, width: lineWidth, contrast: isHigh ? 'high' : 'usual' });
    document.documentElement.dataset['paper'] = printSources ? 'with-sources' : 'plain';
    document.documentElement.style.setProperty('--text-size', String(textSize));
  }, [shown, textSize, printSources, textFace, lineWidth, accent, isHigh]);
  return shown;
}
