import { refuse, say } from '../../session/telling/messages';
import { counted } from '../../session/acting/use-act';
import type { SealsOfDesk } from '../../session/state/services';
import { whyFailed } from '../../session/telling/why-failed';

/** Takes notes out of their seal, and says so. */
export async function unseal(seals: SealsOfDesk, paths: readonly string[]): Promise<void> {
  try {
    const moved = await (await seals.open()).unseal(paths);
    if (moved.length === 0) refuse('Its seal is closed. Open it first.');
    else say(`Out of the seal: ${counted(moved.length, 'note')} can be read by everybody again.`);
  } catch (error) {
    refuse(whyFailed(error));
  }
}
