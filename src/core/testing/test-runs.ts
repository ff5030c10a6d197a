/** Whether model tests are walked in their long form, as `npm run soak` does. */
export const LONG = process.env['SOAK'] === '1';

/**
 * How many runs a model test makes: in the short form of `npm test` a quarter of those of its long form, where that are many.
 *
 * @example runs(1000) // 250; 1000 in the long form
 */
export const runs = (long: number): number => (LONG ? long : Math.max(Math.min(long, 40), Math.ceil(long / 4)));
