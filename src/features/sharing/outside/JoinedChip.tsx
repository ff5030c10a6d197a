import { Link } from 'react-router';
import { outsideAddress } from '../../session/places/addresses';
import { useNow } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { momentName } from '../../keep/kept-words';
import { stateWords } from './outside-words';
import { useOutsideLists } from './use-outside-lists';

/** That a task is joined, with what, and when both were in step last; it leads to the list. */
export function JoinedChip({ list }: { list: string }) {
  const { day } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const found = useOutsideLists()?.find(({ name }) => name.toLowerCase() === list.toLowerCase());
  const away = found?.trouble != null && found.at !== null ? `, as of ${momentName(found.at, day, style)}` : '';
  return (
    <Link
      className="chip"
      to={outsideAddress(list)}
      title={found ? stateWords(found, day, style) : 'Nobody follows this list here'}
      onClick={(event) => event.stopPropagation()}
    >
      <span className="chip-word">joined</span>{' '}
      <span className="chip-value">
        {list}
        {away}
      </span>
    </Link>
  );
}
