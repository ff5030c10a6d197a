import { useCallback } from 'react';
import { isoDay } from '../../../core/calendar/day';
import { minutesText } from '../../../core/calendar/duration';
import { timeName } from '../../../core/calendar/span';
import { endName, withClock } from '../../../core/day/appointments';
import { quotedYaml } from '../../../core/note/facts/with-fields';
import type { PlanItem } from '../../../core/index/days/day-plan';
import type { ActionResult } from '../../../store/acting/note-actions';
import { refuse } from '../../session/telling/messages';
import { dialogTask } from '../../session/acting/task-dialog';
import { useAct, useToldDone } from '../../session/acting/use-act';
import { useServices } from '../../session/state/services';
import { plainWords } from '../../frame/strip/plain-words';

/** What gives something of a day another time, day or length; each in minutes, and each tells whether it came to that. */
export interface ItemPlace {
  place: (day: number, at: number) => Promise<boolean>;
  resize: (minutes: number) => Promise<boolean>;
  canMove: boolean;
  /** An appointment is a line of its day's page, and stays there. */
  canLeave: boolean;
}

/** How something of a day says when it is: a task by its plan and length, an appointment at the beginning of its line, a meeting in its fields. */
export function useItemPlace(item: PlanItem, from: number, to: number, here: number): ItemPlace {
  const { actions } = useServices();
  const told = useToldDone();
  const { act } = useAct();
  const { row, kind, path, line, raw, text, end } = item;
  const words = plainWords(text);
  const tell = useCallback(
    async (at: number, done: Promise<ActionResult>): Promise<boolean> => {
      const result = await done;
      if ('refused' in result) refuse(result.refused);
      else told(`${timeName(at)} ${words}`, result.step);
      return !('refused' in result);
    },
    [told, words],
  );
  const set = async (clause: string): Promise<boolean> =>
    row !== null && (await act(dialogTask(row).ref, row.text, { do: 'set', clause })) !== null;
  const rewrite = async (at: number, until: number | null): Promise<boolean> => {
    const after = raw === null ? null : withClock(raw, at, until);
    if (after === null || raw === null || line === null) return false;
    return tell(at, actions.replaceLine({ path, line, expected: raw }, after, `Moved: ${text}`));
  };
  const meet = (day: number, at: number, until: number | null): Promise<boolean> => {
    const fields = { date: isoDay(day), start: clock(at), ...(until === null ? {} : { end: clock(until) }) };
    return tell(at, actions.setFields(path, fields, `Moved: ${text}`));
  };
  return {
    canMove: row !== null || raw !== null || kind === 'meeting',
    canLeave: row !== null || kind === 'meeting',
    place: (day, at) => {
      if (row) return set(`plan ${isoDay(day)} ${timeName(at)}`);
      if (kind === 'meeting') return meet(day, at, end === null ? null : at + (end - from));
      return rewrite(at, raw !== null && withClock(raw, from, null) !== raw ? at + (to - from) : null);
    },
    resize: (minutes) => {
      if (row) return set(`takes ${minutesText(minutes)}`);
      return kind === 'meeting' ? meet(here, from, from + minutes) : rewrite(from, from + minutes);
    },
  };
}

/** A time as the front matter says it: in quotes, for YAML would read some as numbers; a day may end at `24:00`. */
const clock = (minute: number): string => quotedYaml(endName(minute));
