import type { OutsideTrouble } from '../../src/core/sharing/outside/outside-task';

/** An outside service did not do what it was asked. */
export class OutsideFailure extends Error {
  constructor(
    readonly trouble: OutsideTrouble,
    /** After how many seconds to come again, where it says so. */
    readonly after: number | null = null,
  ) {
    super(`The outside service is ${trouble}.`);
    this.name = 'OutsideFailure';
  }
}
