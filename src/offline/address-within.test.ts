import { addressWithin } from './address-within';
import { readMessage } from './worker-message';

it.each([
  ['/note/A.md?line=3', '/note/A.md?line=3'],
  ['/', '/'],
  ['//elsewhere.example/a', '/'],
  ['/\\elsewhere.example', '/'],
  ['https://elsewhere.example', '/'],
  ['javascript:alert(1)', '/'],
  [null, '/'],
  [{ address: '/' }, '/'],
])('a notification leads to %j as %s', (given, address) => expect(addressWithin(given)).toBe(address));

it.each([
  [{ is: 'take over' }, { is: 'take over' }],
  [
    { is: 'take me', script: '/assets/start.js' },
    { is: 'take me', script: '/assets/start.js' },
  ],
  [{ is: 'take me' }, null],
  [{ is: 'burn' }, null],
  ['take over', null],
  [null, null],
])('a message %j is read as %j', (data, message) => expect(readMessage(data)).toEqual(message));
