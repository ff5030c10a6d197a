import { desk } from '../test-desk';
import { MemoryService } from './memory-service';
import { outsideFile, takeOutside } from './outside-file';
import { outsideDesk } from './test-outside';

test('what is joined goes out with a full export, without a key, and comes in on another desk', async () => {
  const clock = { ms: Date.UTC(2026, 10, 23, 9, 14) };
  const service = new MemoryService(['Team', 'Tasks'], () => clock.ms);
  const first = await outsideDesk({ 'A.md': '- [ ] Weigh {joined Team; ref aaaaaa}\n' }, service, clock);
  await first.pass();
  const file = (await outsideFile(first.own.name)) ?? '';
  expect(file).toContain('"ref":"aaaaaa"');
  expect(file).not.toContain('"key"');

  const [main, own] = [desk(), desk()];
  await Promise.all([main.ready, own.ready]);
  expect(await takeOutside(main.store, file, own.name)).toBe(2);
  expect(await takeOutside(main.store, file, own.name)).toBe(0);
  const [record] = await own.db.outsideTasks.toArray();
  const [before] = await first.records();
  expect([record?.uid, record?.tag, record?.last, record?.joined]).toEqual([before?.uid, before?.tag, before?.last, true]);
  expect((await own.db.outsideLists.toArray()).map(({ account, trouble }) => [account.key, trouble])).toEqual(
    Array(2).fill(['', 'refused']),
  );
  for (const broken of ['', '{}', '{"lists":[{}],"pairs":[]}']) await expect(takeOutside(main.store, broken, own.name)).rejects.toThrow();
});
