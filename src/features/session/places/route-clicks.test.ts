import { noteAddress, tagAddress } from './addresses';
import { isHere } from './route-clicks';

describe('the link of the page that is shown', () => {
  it.each([
    [
      'is it, however the address bar writes it',
      noteAddress('Meetings/Director, monthly.md'),
      '/note/Meetings/Director,%20monthly.md',
      true,
    ],
    ['is it with letters beyond ASCII', tagAddress('größe'), '/tag/gr%C3%B6%C3%9Fe', true],
    ['is it whatever is asked of the page', `${noteAddress('A.md')}?line=3`, '/note/A.md', true],
    ['is not another note', noteAddress('A.md'), '/note/B.md', false],
    ['is not the folder', noteAddress('A/B.md'), '/note/A', false],
    ['survives an address that is no encoding', noteAddress('100%.md'), '/note/100%.md', true],
  ])('%s', (_, to, pathname, wanted) => expect(isHere(to, pathname)).toBe(wanted));
});
