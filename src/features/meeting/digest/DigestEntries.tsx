import { MenuEntry } from '../../../ui/menu/menu';
import { copyText } from '../../session/acting/copy-text';
import { frameSlice } from '../../session/state/frame-slice';
import { useServices } from '../../session/state/services';
import { useAppDispatch, useAppSelector } from '../../session/state/state';

/** What is done with the digest of a meeting beside writing it into its note. */
export function DigestEntries({ path, title }: { path: string; title: string }) {
  const { engine } = useServices();
  const dispatch = useAppDispatch();
  const heading = useAppSelector((state) => state.settings.digestHeading);
  const digest = async (): Promise<string> => `${(await engine.ask('digest', { path, heading })).join('\n')}\n`;
  const takeOut = async (): Promise<void> => {
    const asked = { is: 'take-out', what: 'text', title: `${title}, ${heading}`, text: await digest() } as const;
    dispatch(frameSlice.actions.dialogShown(asked));
  };
  return (
    <>
      <MenuEntry label="Copy the digest as text" onSelect={() => void digest().then(copyText)} />
      <MenuEntry label="Take the digest out…" onSelect={() => void takeOut()} />
    </>
  );
}
