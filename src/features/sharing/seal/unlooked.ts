import { counted } from '../../session/acting/use-act';

/** What is said where all notes were looked at but those that are closed; nothing where none is. */
export const unlooked = (closed: number): string =>
  closed === 0 ? '' : `${counted(closed, 'closed note')} ${closed === 1 ? 'was' : 'were'} not looked at.`;

/** What is said of a name that no note has which can be read now. */
export const perhapsClosed = (closed: number): string =>
  closed === 1 ? 'One sealed note is closed: it may be that one.' : `${closed} sealed notes are closed: it may be one of them.`;
