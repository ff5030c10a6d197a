import { copiesToLetGo, copyName, copyTime } from './copies-kept';

const DAY = 86_400_000;
const NOW = new Date(2026, 10, 23, 12, 20).getTime();
const daily = Array.from({ length: 100 }, (_, ago) => ({ name: String(ago), at: NOW - ago * DAY }));

test('the name of a copy says when it was made', () => {
  expect(copyName(new Date(NOW))).toBe('recado 2026-11-23 1220.zip');
  expect(copyTime('recado 2026-11-23 1220.zip')).toBe(NOW);
  expect(copyTime('recado-2026-11-23.zip')).toBeNull();
});

test('of copies of a hundred days the last seven stay, and one of each of eight weeks before', () => {
  const gone = new Set(copiesToLetGo(daily).map(({ name }) => name));
  expect(daily.filter(({ name }) => !gone.has(name)).map(({ name }) => Number(name))).toEqual([
    0, 1, 2, 3, 4, 5, 6, 7, 12, 19, 26, 33, 40, 47, 54,
  ]);
});

test('few copies all stay, however old they are', () => {
  expect(copiesToLetGo(daily.filter((_, index) => index % 30 === 0))).toEqual([]);
  expect(copiesToLetGo([])).toEqual([]);
});

test('after each new copy again as many stay', () => {
  let kept = daily.slice(0, 0);
  for (const copy of [...daily].reverse()) {
    kept = [...kept, copy];
    const gone = new Set(copiesToLetGo(kept));
    kept = kept.filter((one) => !gone.has(one));
    expect(kept.length).toBeLessThanOrEqual(7 + 9);
  }
  expect(kept.length).toBeGreaterThan(10);
});
