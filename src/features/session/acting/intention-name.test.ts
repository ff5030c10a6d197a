import { intentionName } from './intention-name';

it.each([
  [{ do: 'status', status: 'underway' }, 'Under way'],
  [{ do: 'set', clause: 'due 2026-11-27' }, 'Set due'],
  [{ do: 'unset', clause: 'plan' }, 'Removed plan'],
  [{ do: 'priority', priority: null }, 'Priority removed'],
  [{ do: 'priority', priority: 'top' }, 'Priority top'],
  [{ do: 'end' }, 'Series ended'],
  [{ do: 'rest', until: 'fri' }, 'Resting'],
] as const)('%j is called “%s”', (intention, name) => expect(intentionName(intention)).toBe(name));
