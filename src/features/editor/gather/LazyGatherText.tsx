import { late } from '../../../ui/late';

/** A gather as text, with completion; loaded where it is first shown. */
export const LazyGatherText = late(
  () => import('./GatherText').then((part) => part.GatherText),
  ({ text }) => <pre className="field min-h-28 font-mono text-[0.86rem]">{text}</pre>,
);
