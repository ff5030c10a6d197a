import { type ComponentProps, Suspense, lazy } from 'react';
import type { GatherText } from './GatherText';

const Text = lazy(() => import('./GatherText').then((part) => ({ default: part.GatherText })));

/** A gather as text, with completion; loaded where it is first shown. */
export function LazyGatherText(properties: ComponentProps<typeof GatherText>) {
  return (
    <Suspense fallback={<pre className="field min-h-28 font-mono text-[0.86rem]">{properties.text}</pre>}>
      <Text {...properties} />
    </Suspense>
  );
}
