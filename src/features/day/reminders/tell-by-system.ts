import { timeName } from '../../../core/calendar/span';
import type { Reminder } from '../../../core/index/questions/reminders';
import { noteAddress } from '../../session/places/addresses';
import { ROUTES } from '../../session/places/routes';

/** So many are told one by one; more in one sentence. */
const MOST_TOLD = 3;

/** Tells reminders by the system, where a person allowed it; each leads to its line. */
export async function tellBySystem(found: readonly Reminder[]): Promise<void> {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted') return;
  if (found.length > MOST_TOLD) return show(`${found.length} reminders`, { tag: 'recado reminders', data: ROUTES.first });
  for (const { at, text, path, line } of found)
    await show(text, {
      body: timeName(at.minute),
      tag: `recado ${at.day} ${at.minute} ${text}`,
      data: noteAddress(path, line ?? undefined),
    });
}

/** The service worker shows it where there is one: phones know no other way, and it is answered when the page is gone. */
async function show(title: string, given: NotificationOptions): Promise<void> {
  const options = { ...given, icon: '/recado-192.png' };
  const registration = await navigator.serviceWorker?.getRegistration();
  if (registration?.active) await registration.showNotification(title, options);
  else new Notification(title, options);
}
