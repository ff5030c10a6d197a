import { isoDay } from '../../../core/calendar/day';
import { readFrontMatter } from '../../../core/note/facts/front-matter';
import { splitLines } from '../../../core/note/blocks/lines';

/** The front matter in one line; a click shows its text. */
export function FrontMatterLine({ text, onEdit }: { text: string; onEdit: () => void }) {
  const { kind, date, tags, people, about } = readFrontMatter(splitLines(text));
  const parts = [
    kind,
    date === null ? null : isoDay(date),
    ...tags.map((tag) => `#${tag}`),
    ...people.map((person) => `@${person}`),
    about.length > 0 ? `about ${about.join(', ')}` : null,
  ].filter((part) => part !== null);
  return (
    <button
      type="button"
      onClick={onEdit}
      title="Show the front matter"
      className="mb-1 block max-w-full truncate rounded-md py-0.5 text-start text-[0.86rem] text-muted hover:text-ink"
    >
      {parts.length === 0 ? 'front matter' : parts.join(' · ')}
    </button>
  );
}
