/** The order of two values as they are printed; what is absent comes last. */
export const absentLast = (a: string | null, b: string | null): number => (a === b ? 0 : a === null ? 1 : b === null ? -1 : a < b ? -1 : 1);
