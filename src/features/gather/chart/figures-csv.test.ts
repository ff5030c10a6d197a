import { figuresCsv } from './figures-csv';

// RFC 4180, sections 2.5 to 2.7: what holds a comma, a quote or a break stands in quotes, and a quote in it is doubled.
test('figures as comma-separated values', () => {
  const values = [
    { key: 'loans', label: '#loans', value: 2 },
    { key: null, label: 'No tag, "none"', value: 0 },
  ];
  expect(figuresCsv('tag', 'count', [{ key: null, label: '', values }])).toBe('tag,count\r\nloans,2\r\n"No tag, ""none""",0\r\n');
  expect(
    figuresCsv('tag', 'count', [
      { key: 'todo', label: 'To do', values },
      { key: 'done', label: 'Done', values },
    ]),
  ).toBe('tag,To do,Done\r\nloans,2,2\r\n"No tag, ""none""",0,0\r\n');
  expect(figuresCsv('day', 'open', [])).toBe('day\r\n');
});
