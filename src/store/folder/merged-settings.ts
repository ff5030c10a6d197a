/** Settings as they are kept: by their names. */
type Kept = Readonly<Record<string, unknown>>;

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Settings of two desks that grew from the same ones: each has what was changed on either side; where both changed one, what this side says.
 *
 * @example mergedSettings({ theme: 'light' }, { theme: 'light' }, { theme: 'dark' }) // { theme: 'dark' }
 */
export function mergedSettings(base: Kept, here: Kept, there: Kept): Record<string, unknown> {
  const names = new Set([...Object.keys(base), ...Object.keys(here), ...Object.keys(there)]);
  return Object.fromEntries(
    [...names].flatMap((name) => {
      const value = same(here[name], base[name]) ? there[name] : here[name];
      return value === undefined ? [] : [[name, value]];
    }),
  );
}
