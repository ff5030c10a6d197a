/** What went wrong, in one sentence for the person at the terminal; it ends the command with exit code 2. */
export class PlainError extends Error {}
