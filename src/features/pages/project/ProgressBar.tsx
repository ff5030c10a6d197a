/** Done of all as a short bar; the figures stand beside it in words. */
export function ProgressBar({ done, all }: { done: number; all: number }) {
  return (
    <span aria-hidden="true" className="inline-block h-[5px] w-20 overflow-hidden rounded-full bg-line align-middle">
      <span className="block h-full bg-kept" style={{ width: `${all === 0 ? 0 : (100 * done) / all}%` }} />
    </span>
  );
}
