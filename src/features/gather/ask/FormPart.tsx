import { type Form, GROUP_KEYS, type GroupKeyName, MEASURES, type Measure, NOTE_GROUP_KEYS } from '../../../core/gather/language/ast';
import { Choices } from './Choices';

interface FormPartProps {
  form: Form | null;
  ofNotes: boolean;
  onChange: (form: Form | null) => void;
}

const FORMS = ['list', 'table', 'board', 'month', 'weeks', 'spans', 'summary', 'bars', 'curve'] as const;
type FormName = (typeof FORMS)[number];

/** Notes are measured by their tasks, which bars of tasks do better. */
const NOTE_FORMS: readonly FormName[] = ['list', 'table', 'board', 'month', 'weeks', 'spans', 'summary'];

/** How an answer is drawn, and what that form asks for: its key, its measure, how it is stacked. */
export function FormPart({ form, ofNotes, onChange }: FormPartProps) {
  const keys: readonly GroupKeyName[] = ofNotes ? NOTE_GROUP_KEYS : GROUP_KEYS;
  return (
    <>
      <Choices
        first
        label="Shown as"
        options={ofNotes ? NOTE_FORMS : FORMS}
        chosen={[form?.is ?? 'list']}
        onChoose={(name) => onChange(formCalled(name as FormName, form, ofNotes))}
      />
      {(form?.is === 'bars' || form?.is === 'curve') && (
        <Choices
          label="Of"
          options={MEASURES}
          chosen={[form.measure]}
          onChoose={(measure) => onChange({ ...form, measure: measure as Measure })}
        />
      )}
      {form && 'by' in form && (
        <Choices
          label={form.is === 'board' ? 'A column for each' : 'By'}
          options={keys}
          chosen={[form.by]}
          onChoose={(by) =>
            onChange(form.is === 'board' ? { ...form, by: by as GroupKeyName, columns: [] } : { ...form, by: by as GroupKeyName })
          }
        />
      )}
      {form?.is === 'bars' && (
        <Choices
          label="Each stacked by"
          options={['nothing', ...keys]}
          chosen={form.second === null ? [] : [form.second]}
          onChoose={(second) => onChange({ ...form, second: second === 'nothing' ? null : (second as GroupKeyName) })}
        />
      )}
    </>
  );
}

/** A form by its name; the key of the form before is kept where there was one. */
function formCalled(name: FormName, before: Form | null, ofNotes: boolean): Form | null {
  if (before?.is === name) return before;
  const by = before && 'by' in before ? before.by : null;
  switch (name) {
    case 'list':
      return null;
    case 'board':
      return { is: 'board', by: by ?? (ofNotes ? 'state' : 'status'), columns: [] };
    case 'spans':
    case 'summary':
      return { is: name, by: by ?? (ofNotes ? 'kind' : 'note') };
    case 'bars':
      return { is: 'bars', measure: 'count', by: by ?? 'week', second: null };
    case 'curve':
      return { is: 'curve', measure: 'open', by: by ?? 'week' };
    default:
      return { is: name };
  }
}
