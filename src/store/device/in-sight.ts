/** So often a tab that is looked at says so, in milliseconds. */
const EACH = 5_000;

const channelOf = (name: string): BroadcastChannel | null => (typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name));

/**
 * Tells the other tabs of this browser every few seconds that one of them is looked at. Out of sight a browser lets timers wait up to a
 * minute, but not messages: what a tab there does for all goes on by them.
 *
 * @param isSeen whether this tab is in sight
 * @returns what ends it
 */
export function tellInSight(isSeen: () => boolean, name = 'recado in sight', each = EACH): () => void {
  const channel = channelOf(name);
  if (!channel) return () => undefined;
  const timer = setInterval(() => isSeen() && channel.postMessage(''), each);
  return () => {
    clearInterval(timer);
    channel.close();
  };
}

/** Calls each time another tab says that it is looked at. @returns what ends it */
export function hearInSight(heard: () => void, name = 'recado in sight'): () => void {
  const channel = channelOf(name);
  channel?.addEventListener('message', heard);
  return () => channel?.close();
}
