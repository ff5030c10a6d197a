import { type ReactNode, useEffect, useState } from 'react';

type Part<Props> = (props: Props) => ReactNode;

/**
 * A component whose code is loaded when it is drawn first. React's own `lazy` draws what was waited for no sooner than 300 ms after
 * something stood in its place, however soon it is there; this one draws it at once. What does not load is thrown where it is drawn, and is
 * tried again when it is drawn anew.
 *
 * @param meanwhile what stands there as long as it is loaded; nothing when left out
 * @example const Board = late(() => import('./Board').then((part) => part.Board), () => <p>Drawing…</p>);
 */
export function late<Props extends object>(
  load: () => Promise<Part<Props>>,
  meanwhile: (props: Props) => ReactNode = () => null,
): Part<Props> {
  let loaded: Part<Props> | null = null;
  return function Late(props: Props) {
    const [Shown, setShown] = useState<Part<Props> | null>(() => loaded);
    const [failed, setFailed] = useState<{ with: unknown } | null>(null);
    useEffect(() => {
      if (Shown) return;
      let gone = false;
      load().then(
        (part) => {
          loaded = part;
          if (!gone) setShown(() => part);
        },
        (error: unknown) => !gone && setFailed({ with: error }),
      );
      return () => {
        gone = true;
      };
    }, [Shown]);
    if (failed) throw failed.with;
    return Shown ? <Shown {...props} /> : meanwhile(props);
  };
}
