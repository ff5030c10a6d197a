import type { SeenList } from '../../../store/outside/seen-lists';
import { outsideAddress } from '../../session/places/addresses';
import type { Notice } from '../../session/state/frame-slice';
import { toldWords } from './outside-words';

/** What a person is told of a look at outside lists: what both sides changed, what is asked, and a key that counts no more. */
export function newsOf(before: readonly SeenList[], now: readonly SeenList[]): Notice[] {
  return now.flatMap((list) => {
    const was = before.find(({ name }) => name === list.name);
    const leads = { address: outsideAddress(list.name), words: 'See the list' };
    const told = list.told.filter((one) => !was?.told.some((other) => JSON.stringify(other) === JSON.stringify(one)));
    const asked = (one: SeenList | undefined): number => (one?.asks.length ?? 0) + (one?.lost.length ?? 0);
    const words = [
      ...(told.length === 1 && told[0] ? [toldWords(told[0])] : []),
      ...(told.length > 1 ? [`${told.length} fields of tasks on “${list.name}” changed on both sides; the newer stand.`] : []),
      ...(asked(list) > asked(was)
        ? [`Something is gone on one side of “${list.name}”. Nothing was removed; say what is to become of it.`]
        : []),
      ...(list.trouble === 'refused' && was !== undefined && was.trouble !== 'refused'
        ? [`“${list.name}” is not let in any more: its key counts no longer. Nothing is lost.`]
        : []),
    ];
    return words.map((one): Notice => ({ words: one, leads }));
  });
}
