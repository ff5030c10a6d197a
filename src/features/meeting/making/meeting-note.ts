import { splitLines } from '../../../core/note/blocks/lines';
import { fieldWords, readFrontMatter } from '../../../core/note/facts/front-matter';
import { withFields } from '../../../core/note/facts/with-fields';
import { type MeetingFacts, meetingFacts } from '../../../core/meeting/meeting-facts';
import { lengthOfTemplate, meetingTemplateFor, ownKeysOf } from '../../../core/meeting/meeting-template';
import { noteFrom } from '../../../core/template/from-template';
import { type TemplateValues, fillTemplate } from '../../../core/template/template';
import { type MeetingToMake, fieldsOf, fieldsOfMeeting, yamlWords } from '../meeting-fields';

/** A template of meetings. */
interface MeetingTemplate {
  path: string;
  text: string;
}

type Values = Omit<TemplateValues, 'name' | 'day'>;

/** What the text of a meeting says of it. */
export const factsIn = (text: string): MeetingFacts => meetingFacts(readFrontMatter(splitLines(text)));

/** A meeting with what its template brings, as far as nothing else is said of it: people, what it is about, its form and its length. */
export function filledMeeting<T extends MeetingToMake>(meeting: T, template: MeetingTemplate | null, values: Values): T {
  if (!template) return meeting;
  const { text } = noteFrom(template.text, { ...values, day: meeting.date, name: meeting.title ?? '' });
  const brought = factsIn(text);
  const chosen = <T>(said: readonly T[] | undefined, other: readonly T[]): readonly T[] => (said && said.length > 0 ? said : other);
  const start = meeting.start ?? brought.start;
  return {
    ...meeting,
    people: chosen(meeting.people, brought.people),
    about: chosen(meeting.about, brought.about),
    form: meeting.form ?? brought.form,
    start,
    end: meeting.end ?? brought.end ?? endBy(template.text, start),
  };
}

/** The text of a new meeting: from its template, or else by what is said of it alone. */
export function meetingNote(meeting: MeetingToMake & { title: string }, template: MeetingTemplate | null, values: Values): string {
  const text = template ? noteFrom(template.text, { ...values, day: meeting.date, name: meeting.title }).text : '';
  return withFields(text, { ...fieldsOfMeeting(meeting), ...(template && { takes: null }) });
}

/** When a meeting ends that begins then and takes as long as its template says. */
function endBy(template: string, start: number | null): number | null {
  const takes = lengthOfTemplate(template);
  return start === null || takes === null ? null : start + takes;
}

/**
 * The text of a meeting that becomes one of another form: with what the template of that form brings, as far as the meeting does not say it yet.
 * Its words come in the place of none, and of those of its former template where nobody changed them.
 *
 * @param fields the lines of front matter that change with its form
 */
export function withForm(
  text: string,
  fields: Readonly<Record<string, string | null>>,
  forms: { before: string | null; after: string | null },
  templates: readonly MeetingTemplate[],
  values: TemplateValues,
): string {
  const changed = withFields(text, fields);
  const template = forms.after === null ? null : meetingTemplateFor(forms.after, templates);
  if (!template || template === meetingTemplateFor(forms.before, templates)) return changed;
  const front = readFrontMatter(splitLines(changed));
  const facts = factsIn(changed);
  const made = noteFrom(template.text, values).text;
  const madeFront = readFrontMatter(splitLines(made));
  const brought = factsIn(made);
  const end = endBy(template.text, facts.start);
  const filled = withFields(changed, {
    ...(facts.people.length === 0 && brought.people.length > 0 && fieldsOf.people(brought.people)),
    ...(facts.about.length === 0 && brought.about.length > 0 && fieldsOf.about(brought.about)),
    ...(facts.start !== null && facts.end === null && end !== null && fieldsOf.time({ start: facts.start, end })),
    ...Object.fromEntries(
      ownKeysOf(madeFront)
        .filter((key) => !(key in front.fields))
        .map((key) => [key, yamlWords(fieldWords(madeFront.fields[key]) ?? '')]),
    ),
  });
  const words = bodyOf(filled);
  const former = meetingTemplateFor(forms.before, templates);
  const isUntouched = words.trim() === '' || (former !== null && words.trim() === fillTemplate(bodyOf(former.text), values).trim());
  return isUntouched ? filled.slice(0, filled.length - words.length) + bodyOf(made) : filled;
}

/** What stands behind the front matter of a text. */
function bodyOf(text: string): string {
  const { lineCount } = readFrontMatter(splitLines(text));
  return text.split('\n').slice(lineCount).join('\n');
}
