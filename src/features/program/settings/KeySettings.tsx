import { Link } from 'react-router';
import { KeyButton } from '../../commands/KeyButton';
import { keyName } from '../../commands/command';
import { type OwnKey, otherOfKey, usePinKeys, useSlipKeys } from '../../commands/use-own-keys';
import { COMMANDS, type Scope, conflictsOf, isKept, keysOf } from '../../commands/definitions';
import type { Settings, SettingsChange } from '../../../store/device/settings';
import { useSectionAt } from './use-section-at';

const SCOPES: [Scope, string][] = [
  ['everywhere', 'Everywhere'],
  ['note', 'On the page of a note'],
  ['list', 'On a row of a list'],
  ['text', 'In the text of a note'],
];

interface KeySettingsProps {
  settings: Settings;
  set: (change: SettingsChange) => void;
}

/** Every command with its key; a click waits for another one. */
export function KeySettings({ settings, set }: KeySettingsProps) {
  const keys = keysOf(settings.keys);
  const slips = useSlipKeys();
  const pins = usePinKeys();
  const own = [...slips, ...pins];
  const section = useSectionAt('keys');
  const give = (id: string, key: string | null): void => {
    set((present) => ({ keys: { ...present.keys, [id]: key ?? '' } }));
  };
  const giveBack = (id: string): void => {
    set(({ keys: { [id]: _given, ...rest } }) => ({ keys: rest }));
  };
  return (
    <section ref={section} id="keys" aria-label="Keys">
      <h2 className="mb-1 font-title text-[1.17rem] font-bold">Keys</h2>
      <p className="mb-2 text-[0.92rem] text-muted">
        Press a key’s button, then the new key. Backspace takes the key away, Escape leaves it. In lists Space ticks, the arrows go from row
        to row, and with Shift they select.
      </p>
      {SCOPES.map(([scope, title]) => (
        <table key={scope} className="mb-3 w-full max-w-2xl border-collapse text-[0.95rem]">
          <caption className="section-label pb-1 text-start">{title}</caption>
          <tbody>
            {COMMANDS.filter((command) => command.scope === scope).map((command) => {
              const key = keys.get(command.id) ?? null;
              const clashes = conflictsOf(command.id, key, keys);
              return (
                <tr key={command.id} className="border-b border-line">
                  <th scope="row" className="py-0.5 pe-3 text-start font-normal">
                    {command.title}
                    {clashes.length > 0 && <span className="block text-[0.84rem] text-late">Also the key of “{clashes[0]?.title}”.</span>}
                    {key !== null && isKept(key) && (
                      <span className="block text-[0.84rem] text-late">Browsers keep this key for themselves.</span>
                    )}
                  </th>
                  <td className="w-56 py-0.5 text-end">
                    {settings.keys[command.id] !== undefined && (
                      <button type="button" className="quiet-button text-[0.84rem]" onClick={() => giveBack(command.id)}>
                        Its first key
                      </button>
                    )}
                    <KeyButton of={command.title} value={key} onChange={(pressed) => give(command.id, pressed)} />
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ))}
      <OwnKeys title="Slips of your own; each key stands in its note" own={slips} all={own} keys={keys} />
      <OwnKeys title="Pins; each key is given in the pin’s menu on the rack" own={pins} all={own} keys={keys} />
    </section>
  );
}

/** Keys that a person gave to what is their own, with what is wrong with them. */
function OwnKeys({
  title,
  own,
  all,
  keys,
}: {
  title: string;
  own: readonly OwnKey[];
  all: readonly OwnKey[];
  keys: ReadonlyMap<string, string | null>;
}) {
  if (own.length === 0) return null;
  return (
    <table className="mb-3 w-full max-w-2xl border-collapse text-[0.95rem]">
      <caption className="section-label pb-1 text-start">{title}</caption>
      <tbody>
        {own.map(({ address, title: name, written, key }) => {
          const other = otherOfKey(key, address, keys, all);
          return (
            <tr key={address} className="border-b border-line">
              <th scope="row" className="py-0.5 pe-3 text-start font-normal">
                <Link to={address} className="underline">
                  {name}
                </Link>
                {other !== null && <span className="block text-[0.84rem] text-late">Also the key of “{other}”.</span>}
                {written !== null && key === null && (
                  <span className="block text-[0.84rem] text-late">
                    “{written}” is not heard: a key needs Ctrl with a letter or sign, or is an F key.
                  </span>
                )}
                {key !== null && isKept(key) && (
                  <span className="block text-[0.84rem] text-late">Browsers keep this key for themselves.</span>
                )}
              </th>
              <td className="w-56 py-0.5 text-end font-mono text-[0.84rem]">{key === null ? 'none' : keyName(key)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
