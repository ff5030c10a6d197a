import { refuse, say, showMessages, unsay, whenWaiting } from './messages';

it('what is said before it can be shown waits, is asked for, and is shown once', () => {
  let wanted = 0;
  const stop = whenWaiting(() => wanted++);
  say('one');
  const two = say('two', { id: 'work', is: 'working' });
  say('three', { id: 'work', is: 'working' });
  unsay(say('gone'));
  refuse('no');
  stop();
  expect(two).toBe('work');
  const shown: string[] = [];
  const end = showMessages({ said: ({ words, is }) => shown.push(`${is}: ${words}`), unsaid: (id) => shown.push(`unsaid ${id}`) });
  expect(shown).toEqual(['told: one', 'working: three', 'refused: no']);
  say('later');
  unsay('work');
  expect(shown.slice(3)).toEqual(['told: later', 'unsaid work']);
  end();
  say('after');
  const again: string[] = [];
  showMessages({ said: ({ words }) => again.push(words), unsaid: () => undefined })();
  expect(again).toEqual(['after']);
  expect(wanted).toBeGreaterThan(0);
});
