import { bearsName } from './bears-name';

it.each([
  ['Ring about #loans', '#loans', true],
  ['Ring about #Loans', '#loans', true],
  ['Ring about #loading', '#load', false],
  ['Dust #place/archive', '#place', true],
  ['Dust #place', '#place/archive', false],
  ['Ask @ilse.k', '@ilse', false],
  ['Ask @Ilse', '@ilse', true],
  ['Ask #ilse', '@ilse', false],
  ['Say `#loans`', '#loans', false],
  ['See [[salt on the glass|the show]]', '[[Salt on the Glass]]', true],
  ['See [[Salt on the Glass#Loans]]', '[[Salt on the Glass]]', true],
  ['See [[Salt on the Glass]]', '[[Salt on the Glass#Loans]]', false],
  ['See Salt on the Glass', '[[Salt on the Glass]]', false],
])('“%s” bears %s: %s', (words, written, borne) => {
  expect(bearsName(words, written)).toBe(borne);
});
