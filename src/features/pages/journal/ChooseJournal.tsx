import { ChevronDown } from 'lucide-react';
import { Menu, MenuChoice, MenuChoices } from '../../../ui/menu/menu';
import { frameSlice } from '../../session/state/frame-slice';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** What the journal there is always is called where there are others. */
const USUAL = 'Journal';

/** Which journal the pages of days show, where there is more than one; it stays chosen until another one is, or the page is loaded anew. */
export function ChooseJournal() {
  const dispatch = useAppDispatch();
  const journals = useAppSelector((state) => state.settings.journals);
  const chosen = useAppSelector((state) => state.frame.journal);
  if (journals.length === 0) return null;
  const choose = (name: string | null) => () => void dispatch(frameSlice.actions.journalChosen(name));
  return (
    <Menu
      align="start"
      trigger={
        <button type="button" className="quiet-button no-print min-h-[25px] px-1 py-0" aria-label={`Which journal: ${chosen ?? USUAL}`}>
          {chosen ?? USUAL}
          <ChevronDown size={13} aria-hidden="true" />
        </button>
      }
    >
      <MenuChoices value={chosen ?? ''}>
        <MenuChoice value="" label={USUAL} onSelect={choose(null)} />
        {journals.map(({ name }) => (
          <MenuChoice key={name} value={name} label={name} onSelect={choose(name)} />
        ))}
      </MenuChoices>
    </Menu>
  );
}
