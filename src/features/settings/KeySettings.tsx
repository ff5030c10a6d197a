import { useEffect, useRef, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { noteAddress } from '../session/places/addresses';
import { useSlipNotes } from '../slip/use-slip-commands';
import { writtenKey } from '../commands/written-key';
import { keyFrom, keyName } from '../commands/command';
import { COMMANDS, type Scope, conflictsOf, isKept, keysOf } from '../commands/definitions';
import type { Settings, SettingsChange } from '../../store/device/settings';

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
  const [waiting, setWaiting] = useState<string | null>(null);
  const section = useRef<HTMLElement>(null);
  const { hash, key: visit } = useLocation();
  useEffect(() => {
    if (hash === '#keys') section.current?.scrollIntoView();
  }, [hash, visit]);
  const give = (id: string, key: string | null): void => {
    setWaiting(null);
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
                    <button
                      type="button"
                      className="line-button min-w-28 justify-center font-mono text-[0.84rem]"
                      aria-label={`Key of ${command.title}: ${key === null ? 'none' : keyName(key)}`}
                      onClick={() => setWaiting(command.id)}
                      onBlur={() => setWaiting(null)}
                      onKeyDown={(event) => {
                        if (waiting !== command.id) return;
                        const pressed = keyFrom(event.nativeEvent);
                        if (pressed === null || pressed === 'Tab' || pressed === 'Shift+Tab') return;
                        event.preventDefault();
                        event.stopPropagation();
                        if (pressed === 'Escape') setWaiting(null);
                        else give(command.id, pressed === 'Backspace' ? null : pressed);
                      }}
                    >
                      {waiting === command.id ? 'press a key' : key === null ? 'none' : keyName(key)}
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      ))}
      <SlipKeys keys={keys} />
    </section>
  );
}

const keyOf = (written: string | undefined): string | null => (written === undefined ? null : writtenKey(written));

/** The slips that the person made, with the keys that their notes say. */
function SlipKeys({ keys }: { keys: ReadonlyMap<string, string | null> }) {
  const slips = useSlipNotes();
  if (slips.length === 0) return null;
  return (
    <table className="mb-3 w-full max-w-2xl border-collapse text-[0.95rem]">
      <caption className="section-label pb-1 text-start">Slips of your own; each key stands in its note</caption>
      <tbody>
        {slips.map(({ path, title, slipKey: written }) => {
          const slipKey = keyOf(written);
          const clash =
            COMMANDS.find(({ id }) => slipKey !== null && keys.get(id) === slipKey)?.title ??
            slips.find((other) => other.path !== path && slipKey !== null && keyOf(other.slipKey) === slipKey)?.title;
          return (
            <tr key={path} className="border-b border-line">
              <th scope="row" className="py-0.5 pe-3 text-start font-normal">
                <Link to={noteAddress(path)} className="underline">
                  {title}
                </Link>
                {clash !== undefined && <span className="block text-[0.84rem] text-late">Also the key of “{clash}”.</span>}
                {written !== undefined && slipKey === null && (
                  <span className="block text-[0.84rem] text-late">
                    “{written}” is not heard: a key needs Ctrl with a letter or sign, or is an F key.
                  </span>
                )}
                {slipKey !== null && isKept(slipKey) && (
                  <span className="block text-[0.84rem] text-late">Browsers keep this key for themselves.</span>
                )}
              </th>
              <td className="w-56 py-0.5 text-end font-mono text-[0.84rem]">{slipKey === null ? 'none' : keyName(slipKey)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
