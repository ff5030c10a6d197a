import type { Now } from '../../../core/calendar/span';
import { ACTION_DEFAULTS, type ActionContext } from '../../../core/task/acts/action-context';
import { statusTable } from '../../../core/task/line/added-status';
import { refMaker } from '../../../core/task/line/ref';
import type { AddedStatus } from '../../../core/task/line/status';
import type { Settings } from '../../../store/device/settings';

/** What actions write with: the present minute, the person's settings, and the statuses that notes add, where it acts on what stands in notes. */
export function actionContext(settings: Settings, now: Now, added: readonly AddedStatus[] = []): ActionContext {
  const { workingDay, firstDayOfWeek, repeatRecords, repeatLead, bareDay, cycle, finishedHeading } = settings;
  const ofPerson = { workingDay, firstDayOfWeek, repeatRecords, repeatLead, bareDay, cycle, finishedHeading };
  return {
    now,
    settings: { ...ACTION_DEFAULTS, ...ofPerson, statuses: statusTable(added) },
    // Out of hundreds of millions: should another task have it, both are marked and nothing follows it.
    makeRef: refMaker(() => false, Math.random),
  };
}
