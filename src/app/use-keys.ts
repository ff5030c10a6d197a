import { useLayoutEffect } from 'react';
import { isAsking } from '../ui/asking';
import { type Command, pressed } from '../features/commands/command';

/** Runs the command whose key is pressed, unless something nearer took the key or a dialog waits for its answer. */
export function useKeys(commands: readonly Command[]): void {
  // With the page itself: a key that comes right after it is drawn is heard.
  useLayoutEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || isAsking()) return;
      const command = commands.find(
        (one) => one.heard && one.key !== null && pressed(event, one.key) && (one.when?.() ?? true) && (one.keyWhen?.() ?? true),
      );
      if (!command) return;
      event.preventDefault();
      command.run();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [commands]);
}
