/** The pages of the help: the same texts that stand in docs/. */
export const HELP_PAGES = [
  { id: 'note', title: 'What a note can say', load: () => import('../../../../docs/format.md?raw') },
  { id: 'day', title: 'Slips, the day, carrying on', load: () => import('../../../../docs/day.md?raw') },
  { id: 'meetings', title: 'Meetings', load: () => import('../../../../docs/meeting.md?raw') },
  { id: 'asking', title: 'Asking for tasks', load: () => import('../../../../docs/gather.md?raw') },
  { id: 'review', title: 'Review, goals, the archive', load: () => import('../../../../docs/review.md?raw') },
  { id: 'finding', title: 'Finding, and what leads where', load: () => import('../../../../docs/finding.md?raw') },
  { id: 'files', title: 'Files: in, out, on paper', load: () => import('../../../../docs/files.md?raw') },
  { id: 'devices', title: 'Several devices', load: () => import('../../../../docs/devices.md?raw') },
  { id: 'outside', title: 'Outside lists', load: () => import('../../../../docs/outside.md?raw') },
  { id: 'sealed', title: 'Sealed notes', load: () => import('../../../../docs/sealed.md?raw') },
  { id: 'lending', title: 'Lending', load: () => import('../../../../docs/lending.md?raw') },
  { id: 'keeping', title: 'How it is kept', load: () => import('../../../../docs/keep.md?raw') },
  { id: 'runner', title: 'At the command line', load: () => import('../../../../docs/runner.md?raw') },
] as const;
