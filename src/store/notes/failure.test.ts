import { failureExplained, failureSentence } from './failure';

const named = (name: string, message = '', more: object = {}): Error => Object.assign(new Error(message), { name, ...more });

describe('why something could not be stored', () => {
  it.each([
    [named('QuotaExceededError', 'x'), 'disk is full'],
    [named('AbortError', 'aborted', { inner: { name: 'QuotaExceededError', message: '' } }), 'disk is full'],
    [new Error('The browser aborted the write.', { cause: [named('QuotaExceededError'), named('BulkError')] }), 'disk is full'],
    [named('UnknownError', 'Encountered full disk: no space left'), 'disk is full'],
    // As Chromium says it of a disk that is really full.
    [
      new Error('The browser aborted the write.', {
        cause: [
          named('UnknownError', 'Connection is closing because of: IO error: 000003.log: FILE_ERROR_NO_SPACE'),
          named('BulkError', 'x'),
        ],
      }),
      'disk is full',
    ],
    [named('DatabaseClosedError'), 'closed the store'],
    [named('AbortError', 'aborted', { inner: named('InvalidStateError', 'closing') }), 'closed the store'],
    [named('BulkError', 'bulkPut(): 1 failed', { cause: named('DataError', 'no key') }), '(no key)'],
    [named('BulkError', 'bulkPut(): 1 failed'), '(bulkPut(): 1 failed)'],
    ['words', 'could not do it.'],
    [null, 'could not do it.'],
  ])('%s: %s', (error, words) => expect(failureSentence(error)).toContain(words));

  it('is the disk where the browser says that no room is left, whatever it calls the error', async () => {
    const storage = { estimate: async () => ({ quota: 1000, usage: 1000 }) };
    Object.defineProperty(globalThis, 'navigator', { value: { storage }, configurable: true });
    expect(await failureExplained(named('UnknownError', 'Internal error'))).toContain('disk is full');
    storage.estimate = async () => ({ quota: 1e10, usage: 1000 });
    expect(await failureExplained(named('UnknownError', 'Internal error'))).toContain('(Internal error)');
    storage.estimate = () => Promise.reject(new Error('refused'));
    expect(await failureExplained(named('UnknownError', 'Internal error'))).toContain('(Internal error)');
    Reflect.deleteProperty(globalThis, 'navigator');
  });
});
