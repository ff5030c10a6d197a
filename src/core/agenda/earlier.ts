import { signOfText } from './text-sign';

/** The signs of the texts with which pages shipped before, by their path: who has one of them changed nothing. */
const EARLIER: Readonly<Record<string, readonly string[]>> = {
  'Agenda/Today.md': ['1536738f58a62ac0'],
  'Agenda/Ahead.md': ['677f199382fa2003', '588eef9cfb7724cc'],
  'Agenda/Record of days.md': ['1ffcb8a706462c2e'],
  'Agenda/Feet/Foot of a person.md': ['e658d70b57663f41'],
};

/** Whether a text is one with which the page shipped before. */
export function shippedBefore(path: string, text: string): boolean {
  return EARLIER[path]?.includes(signOfText(text)) ?? false;
}
