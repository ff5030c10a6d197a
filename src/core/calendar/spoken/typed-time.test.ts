import { typedTime } from './typed-time';

it.each([
  ['9', 540],
  ['14', 840],
  ['930', 570],
  ['1415', 855],
  [' 09:05 ', 545],
  ['9.30', 570],
  ['9am', 540],
  ['2:30 pm', 870],
  ['noon', 720],
  ['24', null],
  ['1260', null],
  ['', null],
  ['9am or so', null],
  ['soon', null],
])('%j', (typed, minute) => expect(typedTime(typed)).toBe(minute));
