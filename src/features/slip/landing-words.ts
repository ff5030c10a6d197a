import { baseNameOf } from '../../core/note/names/path';
import type { Landing } from '../../core/slip/landing';

/** Where something lands, as people say it: `today’s page › Log`. */
export function landingWords({ note, heading }: Landing, todayPath: string): string {
  const place = note === todayPath ? 'today’s page' : baseNameOf(note);
  return heading === null ? place : `${place} › ${heading}`;
}
