import { isoDay } from '../../../core/calendar/day';
import { type FrontMatter, fieldWords, readFrontMatter } from '../../../core/note/facts/front-matter';
import { splitLines } from '../../../core/note/blocks/lines';

/** The front matter in one line; a click shows its text. A person's mail and phone are led to. */
export function FrontMatterLine({ text, onEdit }: { text: string; onEdit: () => void }) {
  const front = readFrontMatter(splitLines(text));
  const { kind, date, tags, people, about, handle } = front;
  const parts = [
    kind,
    kind === 'person' && handle !== null ? `@${handle}` : null,
    date === null ? null : isoDay(date),
    ...tags.map((tag) => `#${tag}`),
    ...people.map((person) => `@${person}`),
    about.length > 0 ? `about ${about.join(', ')}` : null,
  ].filter((part) => part !== null);
  return (
    <p className="mb-1 flex max-w-full items-baseline gap-x-2 text-[0.86rem] text-muted">
      <button
        type="button"
        onClick={onEdit}
        title="Show the front matter"
        className="block min-w-0 truncate rounded-md py-0.5 text-start hover:text-ink"
      >
        {parts.length === 0 ? 'front matter' : parts.join(' · ')}
      </button>
      {kind === 'person' &&
        reachedBy(front).map(([words, address]) => (
          <a key={address} href={address} className="min-h-[25px] flex-none hover:text-ink hover:underline">
            {words}
          </a>
        ))}
    </p>
  );
}

/** By what a person is reached: its words, and its address. */
function reachedBy({ fields }: Pick<FrontMatter, 'fields'>): [words: string, address: string][] {
  const mail = fieldWords(fields['mail']);
  const phone = fieldWords(fields['phone']);
  return [
    ...(mail === null ? [] : [[mail, `mailto:${encodeURIComponent(mail).replace('%40', '@')}`] as [string, string]]),
    ...(phone === null ? [] : [[phone, `tel:${phone.replace(/[^\d+]/g, '')}`] as [string, string]]),
  ];
}
