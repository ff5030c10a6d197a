import { type RefObject, useMemo } from 'react';
import { BY_TOUCH } from '../../../ui/input/by-touch';
import { useLatest } from '../../../ui/use-latest';
import { keyName } from '../../commands/command';
import { useCommandKeys } from '../../commands/use-key-of';
import { actionContext } from '../../session/acting/action-context';
import { useNow, useServices } from '../../session/state/services';
import { useAppSelector } from '../../session/state/state';
import { useReading } from '../../session/state/use-reading';
import { runTextCommand } from '../commands/run-command';
import type { TextHost } from '../commands/text-host';
import { commandKeys } from '../commands/task-keys';
import type { EditorValues } from '../make-editor';
import type { EditorContext } from '../reading/editor-context';
import { usePictures } from '../../note/pictures/use-pictures';
import { useFollow } from '../reading/use-follow';
import { useKnownPeople, useLentIn, useRefProblems, useSharedNames } from '../reading/use-library-facts';
import type { OpenEditor } from './open-editor';

/** What the editor of a note shows and hears by: settings, keys, and what the library knows of the note; the same until one changes. */
export function useEditorValues(
  path: string,
  hidesFinished: boolean,
  editor: RefObject<OpenEditor | null>,
  host: RefObject<TextHost | null>,
): EditorValues {
  const { clock } = useServices();
  const { day: today } = useNow();
  const settings = useAppSelector((state) => state.settings);
  const latestSettings = useLatest(settings);
  const keys = useCommandKeys();
  const sharedNames = useSharedNames();
  const knownPeople = useKnownPeople();
  const refProblems = useRefProblems(path);
  const reading = useReading();
  const lent = useLentIn(path);
  const follow = useFollow(path);
  const pictures = usePictures(path);
  const repairKey = BY_TOUCH ? '' : keyName(keys.get('text-repair') ?? '');
  const { dateStyle: style, workingDay } = settings;
  const context = useMemo(
    (): EditorContext => ({
      today,
      style,
      workingDay,
      refProblems,
      sharedNames,
      knownPeople,
      lent,
      leads: true,
      repairKey,
      picture: pictures.show,
      keepPictures: pictures.keep,
      action: () => actionContext(latestSettings.current, clock.now()),
      tick: (line) => host.current?.tick([line]),
      raise: (line) => host.current?.raise(line),
      run: (id, line) => {
        const view = editor.current?.view;
        if (!view || !host.current) return;
        view.dispatch({ selection: { anchor: view.state.doc.line(line + 1).from } });
        runTextCommand(view, id, host.current);
      },
      follow,
    }),
    [
      today,
      style,
      workingDay,
      refProblems,
      sharedNames,
      knownPeople,
      lent,
      repairKey,
      pictures,
      latestSettings,
      editor,
      host,
      clock,
      follow,
    ],
  );
  const bindings = useMemo(
    () => commandKeys(keys, (target, id) => host.current !== null && runTextCommand(target, id, host.current)),
    [keys, host],
  );
  return useMemo(() => ({ context, reading, keys: bindings, hidesFinished }), [context, reading, bindings, hidesFinished]);
}
