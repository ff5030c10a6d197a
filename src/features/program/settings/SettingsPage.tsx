import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { filesAddress, keepAddress } from '../../session/places/addresses';
import { refuse, say } from '../../session/telling/messages';
import type { Settings, SettingsChange } from '../../../store/device/settings';
import { Sheet } from '../../note/page/Sheet';
import { DeleteDemo } from '../opening/DeleteDemo';
import { addShippedForms, restoreAgendaPages } from '../opening/first-notes';
import { useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { counted, useToldDone } from '../../session/acting/use-act';
import { KeySettings } from './KeySettings';
import { SettingField } from './SettingField';
import { StatusSettings } from './StatusSettings';
import { ThisDevice } from './ThisDevice';
import { FIELDS } from './fields';

const NAMES = Object.keys(FIELDS) as (keyof Settings)[];

/** Every setting on one page; each takes effect at once. */
export function SettingsPage() {
  const settings = useAppSelector((state) => state.settings);
  const { changeSettings } = useServices();
  const set = (change: SettingsChange): void => void changeSettings(change);
  return (
    <Sheet title="Settings">
      <h1 className="mb-4 font-title text-[1.86rem] font-bold">Settings</h1>
      <div className="grid gap-5">
        {NAMES.map((name) => (
          <SettingField key={name} name={name} settings={settings} set={set} />
        ))}
        <StatusSettings settings={settings} set={set} />
        <NotesSection />
        <ThisDevice />
        <KeySettings settings={settings} set={set} />
      </div>
    </Sheet>
  );
}

function NotesSection() {
  const { store } = useServices();
  const told = useToldDone();
  const restore = async (): Promise<void> => {
    const result = await restoreAgendaPages(store);
    if ('refused' in result) refuse(result.refused);
    else if (result.count === 0) say('All shipped agenda pages are here as they were shipped.');
    else told(`${counted(result.count, 'agenda page')} as shipped again.`, result.step);
  };
  const addForms = async (): Promise<void> => {
    const result = await addShippedForms(store);
    if ('refused' in result) refuse(result.refused);
    else if (result.count === 0) say('The slips and templates that ship are all here.');
    else told(`${counted(result.count, 'note')} in Slips and Templates.`, result.step);
  };
  return (
    <Group label="Notes">
      <Link className="line-button" to={filesAddress()}>
        Bring in, take out
      </Link>
      <button type="button" className="line-button" onClick={() => void restore()}>
        Restore the agenda pages
      </button>
      <button type="button" className="line-button" onClick={() => void addForms()}>
        Add the slips and templates that ship
      </button>
      <Link className="line-button" to={keepAddress()}>
        What is kept
      </Link>
      <DeleteDemo />
    </Group>
  );
}

function Group({ label, children }: { label: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="section-label mb-1">{label}</h2>
      <div className="flex flex-wrap gap-2">{children}</div>
    </section>
  );
}
