import { frameWords, readFrame } from './frame-memory';
import { frameSlice } from './frame-slice';

const initial = frameSlice.getInitialState();

describe('what of the frame is kept on a device', () => {
  it('comes back as it was', () => {
    const state = { ...initial, rackOpen: false, pins: [{ title: 'Loans', address: '/tag/loans' }], widths: { 'a\nb': 120 } };
    expect(readFrame(frameWords(state))).toEqual({
      rackOpen: false,
      besideOpen: true,
      beside: { is: 'agenda', path: 'Agenda/Today.md' },
      besideBefore: [{ is: 'note' }, { is: 'outline' }],
      foldersClosed: [],
      folded: [],
      widths: { 'a\nb': 120 },
      finished: {},
      recent: [],
      pins: [{ title: 'Loans', address: '/tag/loans' }],
      onTop: [],
      sides: [],
    });
  });

  it.each([
    [null, {}],
    ['no JSON', {}],
    ['null', {}],
    ['[1]', {}],
    ['{"rackOpen":"yes","besideOpen":false}', { besideOpen: false }],
    ['{"beside":{"is":"elsewhere"},"recent":["A.md"]}', { recent: ['A.md'] }],
    ['{"pins":[{"title":1}],"__proto__":{"rackOpen":false}}', {}],
  ])('is left out where it is broken: %s', (words, kept) => {
    expect(readFrame(words)).toEqual(kept);
  });
});
