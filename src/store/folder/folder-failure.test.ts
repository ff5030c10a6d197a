import { folderFailure } from './folder-failure';
import { TooMuchError } from './handle-folder';

test.each([
  [new DOMException('', 'NotFoundError'), 'It is not there any more.'],
  [new DOMException('', 'NoModificationAllowedError'), 'It is locked: another program writes it now.'],
  [new TypeError('Name is not allowed.'), 'The disk takes no such name.'],
  [new TooMuchError('It holds more than 60,000 notes.'), 'It holds more than 60,000 notes.'],
  [new DOMException('', 'QuotaExceededError'), 'The disk is full, or the browser gives Recado no more room.'],
])('%s is told in plain words', (error, sentence) => expect(folderFailure(error)).toBe(sentence));
