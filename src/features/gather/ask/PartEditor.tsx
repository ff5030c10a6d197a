import {
  COLUMNS,
  type Column,
  type Condition,
  type Gather,
  type GatherContext,
  type GroupKeyName,
  GROUP_KEYS,
  NOTE_COLUMNS,
  NOTE_GROUP_KEYS,
  NOTE_ORDER_KEYS,
  ORDER_KEYS,
  type OrderKeyName,
  SOURCES,
  TOTALS,
  type Total,
} from '../../../core/gather/language/ast';
import { OutsideChoice } from '../../sharing/outside/OutsideChoice';
import { parseGather } from '../../../core/gather/language/parse';
import { withAlternative, withConditionAt, withMore, conditionAt, turned } from '../../../core/gather/saying/edit-condition';
import { groupKeyText, orderKeyText } from '../../../core/gather/saying/print';
import { conditionWords } from '../../../core/gather/saying/sentence';
import { CHOICE, Choices, NumberField } from './Choices';
import { ChooseCondition } from './ChooseCondition';
import { DatePart } from './DatePart';
import { FormPart } from './FormPart';
import { IntoPart } from './IntoPart';
import { Check } from '../../../ui/form/Check';

/** The part of a gather that is being changed. */
export type AskedPart =
  | { is: 'condition'; place: readonly number[]; how: 'instead' | 'or' | 'and' }
  | { is: 'more' | 'group' | 'order' | 'limit' | 'columns' | 'totals' | 'form' | 'from' | 'into' };

interface PartEditorProps {
  gather: Gather;
  context: GatherContext;
  part: AskedPart;
  onPart: (part: AskedPart | null) => void;
  onChange: (gather: Gather) => void;
}

/** Changes one part of a gather: what is pressed in its sentence. */
export function PartEditor({ gather, context, part, onPart, onChange }: PartEditorProps) {
  const ofNotes = gather.from === 'notes' || gather.from === 'meetings';
  switch (part.is) {
    case 'more':
      return (
        <ChooseCondition
          context={context}
          onChoose={(condition) => {
            onChange({ ...gather, where: withMore(gather.where, condition) });
            onPart(null);
          }}
        />
      );
    case 'condition':
      return <ConditionPart key={part.place.join(' ')} gather={gather} context={context} part={part} onPart={onPart} onChange={onChange} />;
    case 'group': {
      const keys: readonly GroupKeyName[] = ofNotes ? NOTE_GROUP_KEYS : GROUP_KEYS;
      const [first, second] = gather.groupBy;
      const choose = (level: 0 | 1) => (key: string) => {
        const next = { key: key as GroupKeyName, of: null, descending: false, byCount: false };
        onChange({ ...gather, groupBy: [...gather.groupBy.slice(0, level), ...(key === 'nothing' ? [] : [next])] });
      };
      return (
        <>
          <Choices
            first
            label="In groups by"
            options={['nothing', ...keys]}
            chosen={first ? [groupKeyText(first)] : []}
            onChoose={choose(0)}
          />
          {first && (
            <Choices
              label="And in each by"
              options={['nothing', ...keys.filter((key) => key !== first.key)]}
              chosen={second ? [groupKeyText(second)] : []}
              onChoose={choose(1)}
            />
          )}
        </>
      );
    }
    case 'order': {
      const keys: readonly OrderKeyName[] = ofNotes ? NOTE_ORDER_KEYS : ORDER_KEYS;
      return (
        <Choices
          first
          label="In order by; a second press turns it round"
          options={['the usual order', ...keys]}
          chosen={(gather.orderBy ?? []).map(orderKeyText)}
          onChoose={(key) => {
            const isHere = gather.orderBy?.length === 1 && gather.orderBy[0]?.key === key;
            const descending = isHere && gather.orderBy?.[0]?.descending === false;
            onChange({ ...gather, orderBy: key === 'the usual order' ? null : [{ key: key as OrderKeyName, descending }] });
          }}
        />
      );
    }
    case 'columns':
      return (
        <Choices
          first
          label="Each shows, in the order in which they are pressed"
          options={['what is usual', ...(ofNotes ? NOTE_COLUMNS : COLUMNS)]}
          chosen={gather.columns ?? []}
          onChoose={(column) =>
            onChange({ ...gather, columns: column === 'what is usual' ? null : toggled(gather.columns, column as Column) })
          }
        />
      );
    case 'totals':
      return (
        <Choices
          first
          label="The heads sum up"
          options={['what is usual', ...TOTALS]}
          chosen={gather.totals ?? []}
          onChoose={(total) => onChange({ ...gather, totals: total === 'what is usual' ? null : toggled(gather.totals, total as Total) })}
        />
      );
    case 'limit':
      return (
        <div className="flex flex-wrap gap-4">
          <NumberField label="At most, in all" value={gather.limit} onChange={(limit) => onChange({ ...gather, limit })} />
          <NumberField
            label="At most in each group"
            value={gather.limitPerGroup}
            onChange={(limitPerGroup) => onChange({ ...gather, limitPerGroup })}
          />
          <Check checked={gather.includingResting} onChange={(includingResting) => onChange({ ...gather, includingResting })}>
            resting ones too
          </Check>
          <Check checked={gather.stepsApart} onChange={(stepsApart) => onChange({ ...gather, stepsApart })}>
            steps as rows of their own
          </Check>
        </div>
      );
    case 'form':
      return <FormPart form={gather.form} ofNotes={ofNotes} onChange={(form) => onChange({ ...gather, form })} />;
    case 'into':
      return <IntoPart into={gather.into} onChange={(into) => onChange({ ...gather, into })} />;
    case 'from':
      return (
        <>
          <Choices
            first
            label="Gathered are"
            options={SOURCES}
            chosen={[gather.from]}
            // A condition, an order or a form of tasks says nothing of notes.
            onChoose={(from) => onChange({ ...parseGather(from === 'tasks' ? '' : `from ${from}`).gather, title: gather.title })}
          />
          {gather.from === 'outside' && <OutsideChoice list={gather.list} onChoose={(list) => onChange({ ...gather, list })} />}
        </>
      );
  }
}

/** A list with something more, or without it where it was there; null for an empty one. */
function toggled<One>(list: readonly One[] | null, one: One): One[] | null {
  const next = list?.includes(one) ? list.filter((other) => other !== one) : [...(list ?? []), one];
  return next.length === 0 ? null : next;
}

interface ConditionPartProps extends Omit<PartEditorProps, 'part'> {
  part: Extract<AskedPart, { is: 'condition' }>;
}

/** One condition: turned round, joined with another by and or or, taken out, or another one instead of it. */
function ConditionPart({ gather, context, part, onPart, onChange }: ConditionPartProps) {
  const there = conditionAt(gather.where, part.place);
  if (!there) return null;
  const { place, how } = part;
  const ofNotes = gather.from === 'notes' || gather.from === 'meetings';
  const set = (condition: Condition | null): void => onChange({ ...gather, where: withConditionAt(gather.where, place, condition) });
  const said = there.is === 'not' ? there.part : there;
  const join = (one: 'or' | 'and') => (
    <button
      type="button"
      aria-pressed={how === one}
      className={CHOICE}
      onClick={() => onPart({ ...part, how: how === one ? 'instead' : one })}
    >
      {one}…
    </button>
  );
  return (
    <>
      <p className="mb-2 flex flex-wrap items-center gap-1">
        <strong className="me-2">{conditionWords(there, { ...context, from: gather.from })}</strong>
        <button type="button" aria-pressed={there.is === 'not'} className={CHOICE} onClick={() => set(turned(there))}>
          the opposite
        </button>
        {join('or')}
        {join('and')}
        <button
          type="button"
          className={`${CHOICE} text-late`}
          onClick={() => {
            set(null);
            onPart(null);
          }}
        >
          take out
        </button>
      </p>
      {how === 'instead' && (said.is === 'date' || said.is === 'in') && (
        <DatePart
          condition={said}
          ofNotes={ofNotes}
          context={context}
          onChange={(condition) => set(there.is === 'not' ? turned(condition) : condition)}
        />
      )}
      <p className="mb-1 text-[0.86rem] text-muted">{HOW_WORDS[how]}</p>
      <ChooseCondition
        context={context}
        onChoose={(condition) => {
          if (how === 'instead') set(there.is === 'not' ? turned(condition) : condition);
          else onChange({ ...gather, where: withAlternative(gather.where, place, condition, how) });
          onPart(null);
        }}
      />
    </>
  );
}

const HOW_WORDS = { instead: 'Instead of it:', or: 'Or this may hold:', and: 'And this must hold with it:' };
