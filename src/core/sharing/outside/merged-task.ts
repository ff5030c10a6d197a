import { SHARED_FIELDS, type SharedField, type SharedTask, sameField } from './shared-task';

/** What both sides said when they were in step last; they can say the same in two ways, as a week here and its last day there. */
export interface LastInStep {
  here: SharedTask;
  there: SharedTask;
}

/** When the sides were changed, in milliseconds since 1970 by one clock; null where nobody knows. */
export interface ChangeTimes {
  /** Of each field that was seen to be changed here. */
  here: Partial<Record<SharedField, number>>;
  there: number | null;
}

/** A field that both sides changed. */
export interface BothChanged {
  field: SharedField;
  here: SharedTask[SharedField];
  there: SharedTask[SharedField];
  won: 'here' | 'there';
}

export interface Merged {
  /** The fields that are to go over. */
  toHere: SharedField[];
  toThere: SharedField[];
  /** The fields that say the same now although they did not before. */
  met: SharedField[];
  both: BothChanged[];
}

/**
 * Brings two faces of a task together, field by field: what one side changed goes to the other; where both did, the newest stands, and it is said.
 * Where nobody knows when, the outside list gives way, since here the earlier text is kept.
 *
 * @param last null where nobody knows what they said last: every field that differs counts as changed on both sides
 */
export function mergedTask(last: LastInStep | null, here: SharedTask, there: SharedTask, times: ChangeTimes): Merged {
  const merged: Merged = { toHere: [], toThere: [], met: [], both: [] };
  for (const field of SHARED_FIELDS) {
    const isOtherHere = !last || !sameField(field, last.here, here);
    const isOtherThere = !last || !sameField(field, last.there, there);
    if (sameField(field, here, there)) {
      if (isOtherHere || isOtherThere) merged.met.push(field);
    } else if (isOtherHere && isOtherThere) {
      const won = (times.there ?? -Infinity) > (times.here[field] ?? -Infinity) ? 'there' : 'here';
      merged.both.push({ field, here: here[field], there: there[field], won });
      (won === 'here' ? merged.toThere : merged.toHere).push(field);
    } else if (isOtherHere) merged.toThere.push(field);
    else if (isOtherThere) merged.toHere.push(field);
  }
  return merged;
}
