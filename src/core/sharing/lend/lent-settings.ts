import * as z from 'zod/mini';

const status = z.enum(['todo', 'underway', 'waiting', 'done', 'cancelled']);

/** What of its owner’s settings goes with what is lent: how it is read, and what finishing, repeating and the like write there. */
export const LENT_SETTINGS = z.object({
  dateStyle: z.catch(z.enum(['words', 'iso']), 'words'),
  workingDay: z.catch(z.int().check(z.minimum(60), z.maximum(1440)), 480),
  firstDayOfWeek: z.catch(z.union([z.literal(1), z.literal(6), z.literal(7)]), 1),
  repeatRecords: z.catch(z.enum(['lines', 'count']), 'lines'),
  repeatLead: z.catch(z.nullable(z.int()), 0),
  bareDay: z.catch(z.enum(['plan', 'due']), 'plan'),
  cycle: z.catch(z.array(z.string()), [' ', '_', 'x']),
  finishedHeading: z.catch(z.string(), 'Finished'),
  /** The statuses that notes add. */
  statuses: z.catch(
    z.array(z.object({ sign: z.string(), name: z.string(), means: status, colour: z.nullable(z.string()), icon: z.nullable(z.string()) })),
    [],
  ),
});
export type LentSettings = z.infer<typeof LENT_SETTINGS>;
