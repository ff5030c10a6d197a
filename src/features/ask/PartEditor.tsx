import {
  type Condition,
  type Gather,
  type GatherContext,
  type GroupKeyName,
  GROUP_KEYS,
  NOTE_GROUP_KEYS,
  NOTE_ORDER_KEYS,
  ORDER_KEYS,
  type OrderKeyName,
  SOURCES,
} from '../../core/gather/language/ast';
import { parseGather } from '../../core/gather/language/parse';
import { conditionAt, turned, withAlternative, withConditionAt, withMore } from '../../core/gather/saying/edit-condition';
import { formText, groupKeyText, orderKeyText } from '../../core/gather/saying/print';
import { conditionWords } from '../../core/gather/saying/sentence';
import { ChooseCondition } from './ChooseCondition';

/** The part of a gather that is being changed. */
export type AskedPart =
  | { is: 'condition'; place: readonly number[]; how: 'instead' | 'or' }
  | { is: 'more' }
  | { is: 'group' }
  | { is: 'order' }
  | { is: 'limit' }
  | { is: 'form' }
  | { is: 'from' };

interface PartEditorProps {
  gather: Gather;
  context: GatherContext;
  part: AskedPart;
  onPart: (part: AskedPart | null) => void;
  onChange: (gather: Gather) => void;
}

const FORMS = [
  'list',
  'table',
  'board by status',
  'board by tag',
  'board by person',
  'board by priority',
  'board by period',
  'month',
  'weeks',
  'bars of count by week',
  'bars of takes by tag',
  'curve of open by week',
  'summary by note',
  'summary by tag',
];
const NOTE_FORMS = ['list', 'table', 'board by state', 'month'];

/** Changes one part of a gather: what is pressed in its sentence. */
export function PartEditor({ gather, context, part, onPart, onChange }: PartEditorProps) {
  const ofNotes = gather.from === 'notes' || gather.from === 'meetings';
  const setWhere = (where: Condition | null): void => onChange({ ...gather, where });
  /** What was chosen stands in the sentence, and the choice closes. */
  const settle = (where: Condition | null): void => {
    setWhere(where);
    onPart(null);
  };
  switch (part.is) {
    case 'more':
      return <ChooseCondition context={context} onChoose={(condition) => settle(withMore(gather.where, condition))} />;
    case 'condition': {
      const there = conditionAt(gather.where, part.place);
      if (!there) return null;
      const { place } = part;
      const set = (condition: Condition | null): void => setWhere(withConditionAt(gather.where, place, condition));
      return (
        <>
          <p className="mb-2 flex flex-wrap items-center gap-1">
            <strong className="me-2">{conditionWords(there, { ...context, from: gather.from })}</strong>
            <button type="button" aria-pressed={there.is === 'not'} className={CHOICE} onClick={() => set(turned(there))}>
              the opposite
            </button>
            <button
              type="button"
              aria-pressed={part.how === 'or'}
              className={CHOICE}
              onClick={() => onPart({ ...part, how: part.how === 'or' ? 'instead' : 'or' })}
            >
              or…
            </button>
            <button type="button" className={`${CHOICE} text-late`} onClick={() => settle(withConditionAt(gather.where, place, null))}>
              take out
            </button>
          </p>
          <p className="mb-1 text-[0.86rem] text-muted">{part.how === 'or' ? 'Or this may hold:' : 'Instead of it:'}</p>
          <ChooseCondition
            context={context}
            onChoose={(condition) => {
              const next = there.is === 'not' ? turned(condition) : condition;
              settle(part.how === 'or' ? withAlternative(gather.where, place, condition) : withConditionAt(gather.where, place, next));
            }}
          />
        </>
      );
    }
    case 'group': {
      const keys: readonly GroupKeyName[] = ofNotes ? NOTE_GROUP_KEYS : GROUP_KEYS;
      return (
        <Choices
          label="In groups by"
          options={['nothing', ...keys]}
          chosen={gather.groupBy.map(groupKeyText)}
          onChoose={(key) =>
            onChange({
              ...gather,
              groupBy: key === 'nothing' ? [] : [{ key: key as GroupKeyName, of: null, descending: false, byCount: false }],
            })
          }
        />
      );
    }
    case 'order': {
      const keys: readonly OrderKeyName[] = ofNotes ? NOTE_ORDER_KEYS : ORDER_KEYS;
      return (
        <Choices
          label="In order by; a second press turns it round"
          options={['the usual order', ...keys]}
          chosen={(gather.orderBy ?? []).map(orderKeyText)}
          onChoose={(key) => {
            const isHere = gather.orderBy?.length === 1 && gather.orderBy[0]?.key === key;
            onChange({
              ...gather,
              orderBy:
                key === 'the usual order'
                  ? null
                  : [{ key: key as OrderKeyName, descending: isHere && gather.orderBy?.[0]?.descending === false }],
            });
          }}
        />
      );
    }
    case 'limit':
      return (
        <div className="flex flex-wrap gap-4">
          <NumberField label="At most, in all" value={gather.limit} onChange={(limit) => onChange({ ...gather, limit })} />
          <NumberField
            label="At most in each group"
            value={gather.limitPerGroup}
            onChange={(limitPerGroup) => onChange({ ...gather, limitPerGroup })}
          />
          <label className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="h-4 w-4 accent-(--primary)"
              checked={gather.includingResting}
              onChange={(event) => onChange({ ...gather, includingResting: event.target.checked })}
            />
            resting ones too
          </label>
        </div>
      );
    case 'form':
      return (
        <Choices
          label="Shown as"
          options={ofNotes ? NOTE_FORMS : FORMS}
          chosen={[gather.form ? formText(gather.form) : 'list']}
          onChoose={(words) =>
            onChange({ ...gather, form: words === 'list' ? null : parseGather(`${ofNotes ? 'from notes\n' : ''}as ${words}`).gather.form })
          }
        />
      );
    case 'from':
      return (
        <Choices
          label="Gathered are"
          options={SOURCES}
          chosen={[gather.from]}
          // A condition, an order or a form of tasks says nothing of notes.
          onChoose={(from) => onChange({ ...parseGather(from === 'tasks' ? '' : `from ${from}`).gather, title: gather.title })}
        />
      );
  }
}

const CHOICE =
  'quiet-button min-h-[25px] border border-edge text-[0.86rem] aria-pressed:bg-primary-soft aria-pressed:font-semibold aria-pressed:text-ink';

interface ChoicesProps {
  label: string;
  options: readonly string[];
  chosen: readonly string[];
  onChoose: (option: string) => void;
}

function Choices({ label, options, chosen, onChoose }: ChoicesProps) {
  return (
    <div role="group" aria-label={label}>
      <p className="mb-1 text-[0.86rem] text-muted">{label}</p>
      <p className="flex flex-wrap gap-1">
        {options.map((option, index) => {
          const words = chosen.find((one) => one === option || one.startsWith(`${option} `));
          return (
            <button
              key={option}
              type="button"
              autoFocus={index === 0}
              aria-pressed={words !== undefined || (index === 0 && chosen.length === 0)}
              className={CHOICE}
              onClick={() => onChoose(option)}
            >
              {words ?? option}
            </button>
          );
        })}
      </p>
    </div>
  );
}

function NumberField({ label, value, onChange }: { label: string; value: number | null; onChange: (value: number | null) => void }) {
  return (
    <label className="grid gap-0.5 text-[0.86rem] text-muted">
      {label}
      <input
        type="number"
        min={0}
        className="field w-28"
        value={value ?? ''}
        onChange={(event) => {
          const number = Math.floor(Number(event.target.value));
          onChange(event.target.value === '' || !Number.isFinite(number) || number < 0 ? null : number);
        }}
      />
    </label>
  );
}
