import { type Now, nowOfDate } from '../core/calendar/span';
import { LENT_SETTINGS, type LentSettings } from '../core/sharing/lend/lent-settings';
import { ACTION_DEFAULTS, type ActionContext } from '../core/task/acts/action-context';
import { statusTable } from '../core/task/line/added-status';
import { refMaker } from '../core/task/line/ref';
import type { ReadingSettings } from '../core/task/line/task';

/** The present minute, as the borrower’s clock says it. */
export const nowHere = (): Now => nowOfDate(new Date());

/** The settings of its owner, as far as they came. */
export const settingsOf = (given: unknown): LentSettings => LENT_SETTINGS.parse(typeof given === 'object' && given !== null ? given : {});

export const readingOf = ({ workingDay, repeatLead, statuses }: LentSettings): ReadingSettings => ({
  workingDay,
  repeatLead,
  statuses: statusTable(statuses),
});

/** What acts write with here: the same as on its owner’s side. */
export function contextOf({ statuses, dateStyle: _, ...settings }: LentSettings): ActionContext {
  return {
    now: nowHere(),
    settings: { ...ACTION_DEFAULTS, ...settings, statuses: statusTable(statuses) },
    makeRef: refMaker(() => false, Math.random),
  };
}
