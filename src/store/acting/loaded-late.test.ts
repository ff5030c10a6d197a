import { loadedLate } from './loaded-late';

class Counter {
  private count = 0;
  async add(by: number): Promise<number> {
    this.count += by;
    return this.count;
  }
}

describe('loadedLate', () => {
  test('is loaded by the first call, once, and keeps what it knows', async () => {
    const load = jest.fn(async () => new Counter());
    const { there } = loadedLate(load);
    expect(load).not.toHaveBeenCalled();
    expect(await Promise.all([there.add(2), there.add(3)])).toEqual([2, 5]);
    expect(load).toHaveBeenCalledTimes(1);
  });

  test('what could not be loaded is said by the call, and tried again by the next', async () => {
    let fails = true;
    const { there, begin } = loadedLate(async () => {
      if (fails) throw new Error('gone');
      return new Counter();
    });
    begin();
    await expect(there.add(1)).rejects.toThrow('gone');
    fails = false;
    expect(await there.add(1)).toBe(1);
  });
});
