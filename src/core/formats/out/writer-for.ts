import { isoDay } from '../../calendar/day';
import { type Now, timeName } from '../../calendar/span';
import { vcardWriter } from '../vcard';
import { csvWriter } from './csv-out';
import type { OutFormat } from './formats';
import { htmlWriter } from './html-out';
import { icalWriter } from './ical-out';
import { indentedWriter } from './indented-text';
import { jsonWriter } from './json-out';
import { opmlWriter } from './opml-out';
import { NOTHING_TO_SAY, type Writer } from './writer';

export interface WriterGiven {
  /** What the file says that it is. */
  title: string;
  /** Whether several things go out, each under its title. */
  titled: boolean;
  /** The moment of writing. */
  now: Now;
  /** A local moment in UTC: the core knows no zone. */
  inUtc: (moment: Now) => Now;
  /** What a page shows in the place of a link to a picture: the picture itself; null for its words. */
  pictures?: (target: string) => string | null;
  /** Of a table; all when it is left out. */
  columns?: readonly string[];
}

/** What writes a form. */
export function writerFor(format: OutFormat, given: WriterGiven): Writer {
  switch (format) {
    case 'markdown':
    case 'plain':
      return markdownWriter(format, given.titled);
    case 'text':
      return indentedWriter(given.titled);
    case 'html':
      return htmlWriter(given.title, given.pictures);
    case 'opml':
      return opmlWriter(given.title, given.titled);
    case 'ics':
      return icalWriter(given);
    case 'csv':
      return csvWriter(given.columns);
    case 'json':
      return jsonWriter(`${isoDay(given.now.day)} ${timeName(given.now.minute)}`);
    case 'vcard':
      return vcardWriter();
  }
}

/** Parts one after the other; where they are several, each under its title. */
const markdownWriter = (form: 'markdown' | 'plain', titled: boolean): Writer => ({
  begin: '',
  part: (part) => {
    const text = form === 'markdown' ? part.stored() : `${part.plain().trimEnd()}\n`;
    return titled ? `# ${part.outline.title}\n\n${text}\n` : text;
  },
  end: () => '',
  report: NOTHING_TO_SAY,
});
