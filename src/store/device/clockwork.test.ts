import { keepClockwork } from './clockwork';

/** Locks as a browser has them: who asks waits until whoever holds the lock lets it go. */
function fakeLocks(): Pick<LockManager, 'request'> {
  let last: Promise<unknown> = Promise.resolve();
  const request = (_name: string, { signal }: { signal: AbortSignal }, held: () => Promise<unknown>): Promise<unknown> => {
    const turn = last.then(() => (signal.aborted ? Promise.reject(new Error('aborted')) : held()));
    last = turn.catch(() => undefined);
    return turn;
  };
  return { request: request as LockManager['request'] };
}

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

describe('the clockwork', () => {
  it('is kept by one tab, and by the next when that one is closed', async () => {
    const locks = fakeLocks();
    const keeps: string[] = [];
    const close = ['first', 'second', 'third'].map((tab) => keepClockwork(locks, () => void keeps.push(tab)));
    await settled();
    expect(keeps).toEqual(['first']);
    close[1]?.();
    close[0]?.();
    await settled();
    expect(keeps).toEqual(['first', 'third']);
  });

  it('tells its work when it ends', async () => {
    let ends: AbortSignal | null = null;
    const close = keepClockwork(fakeLocks(), (signal) => void (ends = signal));
    await settled();
    expect(ends).toMatchObject({ aborted: false });
    close();
    expect(ends).toMatchObject({ aborted: true });
  });

  it('that fails is reported, and stays with its tab', async () => {
    const problems: unknown[] = [];
    const locks = fakeLocks();
    keepClockwork(
      locks,
      () => Promise.reject(new Error('no')),
      (error) => problems.push(error),
    );
    const second = jest.fn();
    keepClockwork(locks, second);
    await settled();
    expect(problems).toEqual([new Error('no')]);
    expect(second).not.toHaveBeenCalled();
  });

  it('is done at once where the browser has no locks', () => {
    const work = jest.fn();
    keepClockwork(undefined, work);
    expect(work).toHaveBeenCalledTimes(1);
  });
});
