import { Search } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import { Sheet } from '../../note/page/Sheet';
import { helpAddress, settingsAddress } from '../../session/places/addresses';
import { Markdown } from './Markdown';
import { HELP_PAGES } from './help-pages';
import { type HelpSection, sectionsOf, sectionsWith, wordsAround } from './help-sections';

/** The help: its pages, a field that searches all of them, and examples that can be tried. */
export function HelpPage() {
  const asked = useParams()['page'] ?? 'note';
  const sections = useSections();
  const { hash, key } = useLocation();
  // What is looked for belongs to the page that one looks from; a press on what was found leads away from it.
  const [search, setSearch] = useState({ at: key, typed: '' });
  const typed = search.at === key ? search.typed : '';
  const page = HELP_PAGES.find(({ id }) => id === asked) ?? HELP_PAGES[0];
  const own = useMemo(() => sections?.filter((one) => one.page === page.id) ?? [], [sections, page]);
  useEffect(() => {
    if (own.length > 0 && hash !== '') document.getElementById(`help-${decodeURIComponent(hash.slice(1))}`)?.scrollIntoView();
  }, [own, hash]);
  return (
    <Sheet title={`${page.title} · Help`} busy={sections === null}>
      <p className="text-[0.86rem] text-muted">Help</p>
      <label className="mt-1 mb-2 flex min-h-[38px] items-center gap-2 rounded-lg border border-edge px-3 focus-within:border-primary">
        <Search size={16} aria-hidden="true" className="flex-none text-muted" />
        <input
          type="search"
          className="min-w-0 flex-1 bg-transparent outline-none"
          aria-label="Search the help"
          placeholder="Search the help"
          value={typed}
          onChange={(event) => setSearch({ at: key, typed: event.target.value })}
        />
      </label>
      <nav aria-label="Pages of the help" className="mb-3 flex flex-wrap gap-1 text-[0.93rem]">
        {HELP_PAGES.map(({ id, title }) => (
          <Link
            key={id}
            to={helpAddress(id)}
            aria-current={id === page.id && typed === '' ? 'page' : undefined}
            className={`quiet-button ${id === page.id && typed === '' ? 'bg-raised font-semibold text-ink' : ''}`}
          >
            {title}
          </Link>
        ))}
        <Link to={settingsAddress('keys')} className="quiet-button">
          All keys
        </Link>
      </nav>
      {typed.trim() === '' ? <Page sections={own} /> : <Found sections={sections ?? []} typed={typed} />}
    </Sheet>
  );
}

function Page({ sections }: { sections: readonly HelpSection[] }) {
  const [first] = sections;
  return (
    <>
      {sections.length > 2 && (
        <ul aria-label="On this page" className="mb-3 flex flex-wrap gap-x-3">
          {sections.slice(1).map(({ page, anchor, title }) => (
            <li key={anchor}>
              <Link
                to={helpAddress(page, anchor)}
                className="inline-flex min-h-[25px] items-center text-[0.9rem] text-muted hover:underline"
              >
                {title}
              </Link>
            </li>
          ))}
        </ul>
      )}
      {sections.map((section) => (
        <section key={section.anchor} id={`help-${section.anchor}`} aria-label={section.title} className="scroll-mt-4">
          {section === first ? (
            <h1 className="font-title text-[1.86rem] leading-tight font-bold">{section.title}</h1>
          ) : section.level === 2 ? (
            <h2 className="mt-5 font-title text-[1.25rem] font-semibold">{section.title}</h2>
          ) : (
            <h3 className="mt-4 font-title text-[1.08rem] font-semibold">{section.title}</h3>
          )}
          <Markdown nodes={section.body} />
        </section>
      ))}
    </>
  );
}

function Found({ sections, typed }: { sections: readonly HelpSection[]; typed: string }) {
  const found = useMemo(() => sectionsWith(sections, typed), [sections, typed]);
  if (found.length === 0) return <p className="text-muted">Nothing in the help holds all of these words.</p>;
  return (
    <ul aria-label="Found in the help">
      {found.map((section) => (
        <li key={`${section.page} ${section.anchor}`} className="border-b border-line py-2">
          <Link to={helpAddress(section.page, section.anchor)} className="name-link font-semibold">
            {section.title}
          </Link>
          <p className="text-[0.9rem] text-muted">{wordsAround(section, typed)}</p>
        </li>
      ))}
    </ul>
  );
}

/** All pages of the help, cut into what stands under their headings; null while they are loaded. */
function useSections(): HelpSection[] | null {
  const [sections, setSections] = useState<HelpSection[] | null>(null);
  useEffect(() => {
    let gone = false;
    void Promise.all(HELP_PAGES.map(async ({ id, load }) => sectionsOf(id, (await load()).default))).then((found) => {
      if (!gone) setSections(found.flat());
    });
    return () => {
      gone = true;
    };
  }, []);
  return sections;
}
