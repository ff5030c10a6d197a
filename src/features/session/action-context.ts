import type { Now } from '../../core/calendar/span';
import { ACTION_DEFAULTS, type ActionContext } from '../../core/task/action-context';
import { refMaker } from '../../core/task/ref';
import type { Settings } from '../../store/settings';

/** What actions write with: the present minute and the person's settings. */
export function actionContext(settings: Settings, now: Now): ActionContext {
  const { workingDay, firstDayOfWeek, bareDay, repeatRecords } = settings;
  return {
    now,
    settings: { ...ACTION_DEFAULTS, workingDay, firstDayOfWeek, bareDay, repeatRecords },
    // Two billion refs: one that another task has is marked, and nothing follows it.
    makeRef: refMaker(() => false, Math.random),
  };
}
