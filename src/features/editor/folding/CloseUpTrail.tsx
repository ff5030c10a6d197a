interface CloseUpTrailProps {
  /** The title of the note. */
  title: string;
  /** What stands above what is shown alone, the outermost first, with its line (from 0). */
  trail: readonly { line: number; words: string }[];
  /** Shows one of them alone, or with null the whole note. */
  onShow: (line: number | null) => void;
}

/** The way out of a close-up: the note, and each heading and item above. */
export function CloseUpTrail({ title, trail, onShow }: CloseUpTrailProps) {
  return (
    <nav aria-label="Close-up" className="flex min-w-0 flex-1 flex-wrap items-center gap-1 text-[0.88rem] text-muted">
      <button type="button" className="quiet-button" onClick={() => onShow(null)}>
        {title}
      </button>
      {trail.map((one) => (
        <button key={one.line} type="button" className="quiet-button max-w-60 truncate" onClick={() => onShow(one.line)}>
          › {one.words}
        </button>
      ))}
    </nav>
  );
}
