import { listenPlace } from './listen-place';

describe('where the server listens', () => {
  it.each([
    [{}, { port: 4180, host: '127.0.0.1' }],
    [{ PORT: '' }, { port: 4180, host: '127.0.0.1' }],
    [
      { PORT: '4190', HOST: '0.0.0.0' },
      { port: 4190, host: '0.0.0.0' },
    ],
    [{ PORT: '0' }, { port: 0, host: '127.0.0.1' }],
  ])('%j', (given, place) => expect(listenPlace(given)).toEqual(place));

  it.each(['0x10', '1e3', '65536', '-1', ' 80', '4180 ', 'http', '80.5'])('refuses PORT=%s with a plain message', (PORT) => {
    expect(listenPlace({ PORT })).toContain('which is no port');
  });
});
