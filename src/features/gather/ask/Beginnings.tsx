import { useState } from 'react';
import { useNavigate } from 'react-router';
import { parseGather } from '../../../core/gather/language/parse';
import { readFrame } from '../../../core/note/facts/note-frame';
import { refuse } from '../../session/telling/messages';
import { noteAddress } from '../../session/places/addresses';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { EXAMPLES, HOME_PAGE } from './examples';

interface BeginningsProps {
  onBegin: (text: string) => void;
}

/** What a gather may begin with: examples with what they show, and the lists of pages that are there. */
export function Beginnings({ onBegin }: BeginningsProps) {
  const navigate = useNavigate();
  const { actions } = useServices();
  const makeHome = async (): Promise<void> => {
    const made = await actions.create('Agenda', HOME_PAGE.title, HOME_PAGE.text);
    if ('refused' in made) refuse(made.refused);
    else void navigate(noteAddress(made.path));
  };
  return (
    <section aria-label="To begin with" className="mb-4 max-w-[46rem]">
      <p className="mb-1 text-muted">Begin with one of these, or with a condition of your own:</p>
      <ul className="grid gap-1.5">
        {EXAMPLES.map(({ words, text, about }) => (
          <Example key={words} words={words} about={about} onPress={() => onBegin(text)} />
        ))}
        <Example words={HOME_PAGE.words} about={HOME_PAGE.about} onPress={() => void makeHome()} />
      </ul>
      <ListsOfPages onBegin={onBegin} />
    </section>
  );
}

function Example({ words, about, onPress }: { words: string; about: string; onPress: () => void }) {
  return (
    <li>
      <button type="button" className="line-button" onClick={onPress}>
        {words}
      </button>
      <span className="block text-[0.86rem] text-muted">{about}</span>
    </li>
  );
}

/** The lists of the agenda pages, read when they are asked for. */
function ListsOfPages({ onBegin }: BeginningsProps) {
  const { store } = useServices();
  const notes = useAppSelector((state) => state.library.overview?.notes);
  const [lists, setLists] = useState<{ page: string; title: string; text: string }[] | null>(null);
  const read = async (): Promise<void> => {
    const pages = (notes ?? []).filter(({ kind }) => kind === 'agenda');
    const found = await Promise.all(
      pages.map(async ({ path, title: page }) => {
        const note = await store.get(path);
        const gathers = note?.text == null ? [] : readFrame(note.text).gathers;
        return gathers.map(({ text }) => ({ page, title: parseGather(text).gather.title ?? '', text: text.trim() }));
      }),
    );
    setLists(found.flat());
  };
  return (
    <details className="mt-3" onToggle={(event) => event.currentTarget.open && lists === null && void read()}>
      <summary className="min-h-[25px] cursor-pointer text-muted">Or with a list of a page that is there</summary>
      <ul className="mt-1 grid gap-1 sm:grid-cols-2">
        {lists?.map(({ page, title, text }, index) => (
          <li key={index} className="min-w-0 truncate">
            <button type="button" className="line-button" onClick={() => onBegin(text)}>
              {page}
              {title !== '' && title !== page && ` › ${title}`}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
