import { followMove } from './follow-move';

it('follows a note to its new path in all that the frame remembers, and touches nothing else', () => {
  const before = {
    pins: [
      { title: 'Crates', address: '/note/Store/Crate%20list.md?close=3', key: 'F12' },
      { title: 'Others', address: '/note/Store/Crate%20list.md%20old' },
    ],
    recent: ['A.md', 'store/crate list.md'],
    finished: { 'Store/Crate list.md': 'sink', 'A.md': 'hide' } as const,
    beside: { is: 'text', path: 'Store/Crate list.md' } as const,
    besideBefore: [
      { is: 'outline' } as const,
      { is: 'agenda', path: 'A.md' } as const,
      { is: 'gather', name: 'Calls', text: 'open', at: 'Store/Crate list.md' } as const,
    ],
    folded: ['Store/Crate list.md\n0', 'A.md\n0', 'rack\nNotes'],
    onTop: ['Store/Crate list.md\nWaiting'],
  };
  expect(followMove(before, 'Store/Crate list.md', 'Archive/Crates.md')).toEqual({
    pins: [
      { title: 'Crates', address: '/note/Archive/Crates.md?close=3', key: 'F12' },
      { title: 'Others', address: '/note/Store/Crate%20list.md%20old' },
    ],
    recent: ['A.md', 'Archive/Crates.md'],
    finished: { 'Archive/Crates.md': 'sink', 'A.md': 'hide' },
    beside: { is: 'text', path: 'Archive/Crates.md' },
    besideBefore: [
      { is: 'outline' },
      { is: 'agenda', path: 'A.md' },
      { is: 'gather', name: 'Calls', text: 'open', at: 'Archive/Crates.md' },
    ],
    folded: ['Archive/Crates.md\n0', 'A.md\n0', 'rack\nNotes'],
    onTop: ['Archive/Crates.md\nWaiting'],
  });
});
