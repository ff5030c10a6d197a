import type { Reminder } from '../../../core/index/questions/reminders';
import { tellBySystem } from './tell-by-system';

const reminder = (text: string, minute: number, path = 'Journal/2026-11-23.md'): Reminder => ({
  ...{ at: { day: 20780, minute }, why: 'remind', path, line: 2, text, raw: `- [ ] ${text}` },
});

/** What was told, by the page itself or by its service worker. */
function told(permission: NotificationPermission, worker: boolean): string[] {
  const said: string[] = [];
  class Told {
    static permission = permission;
    constructor(title: string, { data }: { data: string }) {
      said.push(`page: ${title} ${data}`);
    }
  }
  const showNotification = (title: string, { data, body }: { data: string; body?: string }) =>
    Promise.resolve(void said.push(`worker: ${body ?? ''} ${title} ${data}`));
  const registration = worker ? { active: {}, showNotification } : undefined;
  Object.assign(globalThis, { Notification: Told });
  Object.defineProperty(globalThis, 'navigator', {
    configurable: true,
    value: { serviceWorker: { getRegistration: () => Promise.resolve(registration) } },
  });
  return said;
}

it('tells by the service worker, with the line that it leads to', async () => {
  const said = told('granted', true);
  await tellBySystem([reminder('Call Lars', 560), reminder('Oil the crane', 565, 'Salt & glass.md')]);
  expect(said).toEqual([
    'worker: 09:20 Call Lars /note/Journal/2026-11-23.md?line=3',
    'worker: 09:25 Oil the crane /note/Salt%20%26%20glass.md?line=3',
  ]);
});

it('tells by the page where no service worker is, many at once, and nothing where it may not', async () => {
  const alone = told('granted', false);
  await tellBySystem([reminder('Call Lars', 560)]);
  expect(alone).toEqual(['page: Call Lars /note/Journal/2026-11-23.md?line=3']);
  const many = told('granted', true);
  await tellBySystem(['a', 'b', 'c', 'd'].map((text) => reminder(text, 560)));
  expect(many).toEqual(['worker:  4 reminders /']);
  const none = told('denied', true);
  await tellBySystem([reminder('Call Lars', 560)]);
  expect(none).toEqual([]);
});
