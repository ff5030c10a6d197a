/** Work goes on for so long before the page may draw and take keys, in milliseconds. */
const BUDGET = 12;

/**
 * Lets the page draw and take keys between portions of long work, as often as needed and no oftener.
 *
 * @example const breathe = breather(); for (const one of many) { work(one); await breathe(); }
 */
export function breather(): () => Promise<void> {
  let last = performance.now();
  return async () => {
    if (performance.now() - last < BUDGET) return;
    await new Promise((resolve) => setTimeout(resolve));
    last = performance.now();
  };
}
