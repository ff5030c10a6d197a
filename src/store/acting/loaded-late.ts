/** What has only methods that give promises. */
type Late<T> = { [K in keyof T]: T[K] extends (...given: never[]) => Promise<unknown> ? T[K] : never };

/**
 * Something that is loaded when one of its methods is called first. What could not be loaded is tried again at the next call.
 *
 * @example loadedLate(async () => new (await import('./note-actions')).NoteActions(store, context, settle))
 */
export function loadedLate<T extends Late<T>>(load: () => Promise<T>): { there: T; begin: () => void } {
  let loading: Promise<T> | null = null;
  const loaded = (): Promise<T> => {
    loading ??= load().catch((error: unknown) => {
      loading = null;
      throw error;
    });
    return loading;
  };
  const get =
    (_: T, name: keyof T & string) =>
    async (...given: unknown[]): Promise<unknown> => {
      const there = await loaded();
      return Reflect.apply(there[name] as (...given: unknown[]) => unknown, there, given);
    };
  return { there: new Proxy({} as T, { get: get as ProxyHandler<T>['get'] & object }), begin: () => void loaded().catch(() => undefined) };
}
