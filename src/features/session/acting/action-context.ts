import type { Now } from '../../../core/calendar/span';
import { ACTION_DEFAULTS, type ActionContext } from '../../../core/task/acts/action-context';
import { refMaker } from '../../../core/task/line/ref';
import type { Settings } from '../../../store/device/settings';

/** What actions write with: the present minute and the person's settings. */
export function actionContext(settings: Settings, now: Now): ActionContext {
  const { workingDay, firstDayOfWeek, repeatRecords, repeatLead, bareDay } = settings;
  return {
    now,
    settings: { ...ACTION_DEFAULTS, workingDay, firstDayOfWeek, repeatRecords, repeatLead, bareDay },
    // Out of hundreds of millions: should another task have it, both are marked and nothing follows it.
    makeRef: refMaker(() => false, Math.random),
  };
}
