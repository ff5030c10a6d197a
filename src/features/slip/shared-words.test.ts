import { sharedWords } from './shared-words';

const NONE = { title: null, text: null, link: null };

it.each([
  ['nothing', NONE, ''],
  ['words of a slip, with their lines', { ...NONE, text: 'Ring Lars\nWeigh the crate' }, 'Ring Lars\nWeigh the crate'],
  ['a page', { title: 'Tide gauges', text: null, link: 'https://museum.example/gauges' }, 'Tide gauges https://museum.example/gauges'],
  [
    'a link that stands in the text',
    { title: '', text: 'Look at https://a.example/b', link: 'https://a.example/b' },
    'Look at https://a.example/b',
  ],
  ['a title that the text begins with', { title: 'Gauges', text: 'Gauges of the harbour', link: '' }, 'Gauges of the harbour'],
  ['several lines', { title: 'A', text: 'one\n two', link: null }, 'A one two'],
])('%s', (_, shared, words) => expect(sharedWords(shared)).toBe(words));
