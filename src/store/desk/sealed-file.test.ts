import { REMEMBERED, nextHead, packFile, standsTo, unpackFile } from './sealed-file';

const bytes = new TextEncoder().encode('- [ ] Weigh the crate\n\0');

it('a file is read as it was packed', () => {
  const head = nextHead(null, 'Folder/A “b”\n.md', false);
  expect(unpackFile(packFile({ head, bytes }))).toEqual({ head, bytes });
});

it.each([['no line'], ['{}\nx'], ['{"path":1}\nx'], ['\n'], ['']])('%j is no file', (words) => {
  expect(() => unpackFile(new TextEncoder().encode(words))).toThrow();
});

describe('a version stands to the last that was seen', () => {
  const first = nextHead(null, 'A.md', false);
  const second = nextHead(first, 'A.md', false);
  const third = nextHead(second, 'A.md', true);
  const branch = nextHead(first, 'A.md', false);
  let far = first;
  for (let count = 0; count <= REMEMBERED; count++) far = nextHead(far, 'A.md', false);

  it.each([
    ['itself', second, second, 'same'],
    ['the next', first, second, 'newer'],
    ['one after the next, though it is removed there', first, third, 'newer'],
    ['the one before, as from an old copy', third, first, 'older'],
    ['another that came from the same', second, branch, 'apart'],
    ['one so far on that nobody remembers', first, far, 'newer'],
    ['one so far back that nobody remembers', far, first, 'apart'],
  ] as const)('%s', (_, seen, given, stands) => expect(standsTo(seen, given)).toBe(stands));
});
