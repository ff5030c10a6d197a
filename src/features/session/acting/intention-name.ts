import type { WideIntention } from '../../../core/task/acts/intention';
import { STATUS_NAMES } from '../../../core/task/line/status';

const NAMES: Record<Exclude<WideIntention['do'], 'status' | 'set' | 'unset' | 'priority'>, string> = {
  cycle: 'Next status',
  end: 'Series ended',
  raise: 'Priority raised',
  lower: 'Priority lowered',
  push: 'Carried on',
  carry: 'Carried on',
  shift: 'Dates moved',
  rest: 'Resting',
  tag: 'Name added',
  untag: 'Name removed',
  reword: 'Reworded',
  convert: 'Converted',
  duplicate: 'Duplicated',
  delete: 'Deleted',
  sink: 'Finished ones to the end',
  sweep: 'Finished ones swept',
  reset: 'Started again',
  ref: 'Ref made',
  swap: 'Days swapped',
  need: 'Need added',
  move: 'Moved',
  archive: 'Archived',
  echo: 'Echo made',
};

/** What an action is called in messages and in Undo. */
export function intentionName(intention: WideIntention): string {
  switch (intention.do) {
    case 'status':
      return STATUS_NAMES[intention.status];
    case 'set':
      return `Set ${intention.clause.split(' ')[0]}`;
    case 'unset':
      return `Removed ${intention.clause}`;
    case 'priority':
      return intention.priority === null ? 'Priority removed' : `Priority ${intention.priority}`;
    default:
      return NAMES[intention.do];
  }
}
