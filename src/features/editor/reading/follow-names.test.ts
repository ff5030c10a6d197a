import { addressesIn } from '../../../core/note/names/addresses';
import { targetAt } from './follow-names';

describe('what stands at a place and leads somewhere', () => {
  const LINE = '- [ ] Ask @ilse about [[Tide clock#Oil|the oil]] #loans https://sea.example/a, [report](https://sea.example/b) {due fri}';
  it.each([
    ['@ilse', { is: 'person', name: 'ilse' }],
    ['the oil', { is: 'note', name: 'Tide clock', heading: 'Oil' }],
    ['#loans', { is: 'tag', name: 'loans' }],
    ['example/a', { is: 'address', url: 'https://sea.example/a' }],
    ['report', { is: 'address', url: 'https://sea.example/b' }],
    ['Ask', null],
    ['due', null],
  ])('%s', (words, target) => expect(targetAt(LINE, LINE.indexOf(words) + 1)).toEqual(target));

  it('at its end too, where the cursor stands after it was typed', () => {
    expect(targetAt('to [[Crates]]', 13)).toEqual({ is: 'note', name: 'Crates', heading: null });
    expect(targetAt('to @ilse', 8)).toEqual({ is: 'person', name: 'ilse' });
  });

  it('no scheme but those of the web', () => {
    expect(targetAt('[x](javascript:alert(1))', 1)).toBeNull();
    expect(targetAt('file:///etc and data:text/html', 3)).toBeNull();
  });

  it('an address ends before the stop of a sentence', () => {
    expect(addressesIn('see https://sea.example/a?b=1. Then').map(({ url }) => url)).toEqual(['https://sea.example/a?b=1']);
  });
});
