import type { ReactNode } from 'react';
import { dayName } from '../../core/calendar/day-name';
import type { Landing } from '../../core/slip/landing';
import type { SlipField } from '../../core/slip/slip-line';
import type { LineOfSlip } from '../../core/slip/slip-lines';
import { STATUS_NAMES, isAddedSign } from '../../core/task/line/status';
import { useAddedStatus } from '../session/state/use-statuses';
import { clauseOf, readTail } from '../../core/task/line/tail';
import { chipsOf } from '../../ui/marks/chip-look';
import { InlineText } from '../../ui/InlineText';
import { Menu, MenuEntry } from '../../ui/menu/menu';
import { useTodayPath } from '../session/acting/use-land-task';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { landingWords } from './landing-words';
import type { Stands } from './use-stands';

interface SlipSentenceProps {
  line: LineOfSlip;
  typed: string;
  landing: Landing;
  /** The title of the note that one comes from, and whether it is linked; null where it cannot be. */
  link: { title: string; on: boolean } | null;
  stands: Stands | null;
  onLeave: (from: number) => void;
  onChange: (field: SlipField | 'target') => void;
  onLink: (on: boolean) => void;
}

/** What was understood, as a sentence whose parts can be pressed. */
export function SlipSentence({ line, typed, landing, link, stands, onLeave, onChange, onLink }: SlipSentenceProps) {
  const { day: today } = useNow();
  const todayPath = useTodayPath();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  const { task, parts } = line;
  const say = (clause: string): { word: string; value: string } => {
    const look = { today, style, workingDay, open: true, restsUntil: null };
    const [chip] = chipsOf(readTail(`x {${clause}}`, 0), look, 'note');
    return chip ? { word: chip.word, value: chip.value } : { word: '', value: clause };
  };
  const said = new Set(parts.flatMap(({ clauses }) => clauses.map(({ name }) => name)));
  const tail = readTail(line.line, 2);
  // What fields say is not read from words, and is changed there.
  const others = FIELD_NAMES.filter((name) => !said.has(name) && clauseOf(tail, name));
  const added = useAddedStatus(isAddedSign(task.sign) ? task.sign : undefined);
  return (
    <p className="text-[1rem] leading-[1.75]" role="status">
      <InlineText text={task.text || 'No words yet'} />
      {(task.status !== 'todo' || isAddedSign(task.sign)) && (
        <>
          {'. '}
          <Part
            label={added?.name ?? STATUS_NAMES[task.status]}
            leave={/^waiting for/i.test(typed) ? () => onLeave(0) : null}
            words="waiting for"
            onChange={() => onChange('status')}
          />
        </>
      )}
      {parts.length + others.length > 0 && '. '}
      {parts.map(({ from, to, clauses }, index) => (
        <span key={from}>
          {index > 0 && ', '}
          {clauses.map((clause, nth) => {
            const { word, value } = say(clause.words);
            return (
              <span key={clause.name}>
                {nth > 0 && ', '}
                {index === 0 && nth === 0 ? capital(word) : word}
                {word && ' '}
                <Part
                  label={index === 0 && nth === 0 && word === '' ? capital(value || clause.words) : value || clause.words}
                  words={line.spoken.slice(from, to)}
                  leave={() => onLeave(from)}
                  onChange={() => onChange(FIELD_OF[clause.name] ?? 'due')}
                />
              </span>
            );
          })}
        </span>
      ))}
      {others.map((name, index) => {
        const clause = clauseOf(tail, name);
        const { word, value } = say(clause ? `${clause.word}${clause.value === '' ? '' : ` ${clause.value}`}` : '');
        return (
          <span key={name}>
            {parts.length + index > 0 && ', '}
            {parts.length + index === 0 ? capital(word) : word}
            {word && ' '}
            <Part label={value} words="" leave={null} onChange={() => onChange(FIELD_OF[name] ?? 'due')} />
          </span>
        );
      })}
      {'. Lands on '}
      <Part label={landingWords(landing, todayPath)} words="" leave={null} onChange={() => onChange('target')} />
      {link && (
        <>
          {', '}
          <button type="button" className="slip-part" aria-pressed={link.on} onClick={() => onLink(!link.on)}>
            {link.on ? 'with a link' : 'without a link'}
          </button>
          {` to ${link.title}`}
        </>
      )}
      {'. '}
      {stands && stands.pages.length > 0 && (
        <span className="text-muted">
          Stands in {stands.pages.join(' and ')}
          {stands.until !== null && ` until ${dayName(stands.until, today, style)}`}.
        </span>
      )}
    </p>
  );
}

const FIELD_OF: Partial<Record<string, SlipField>> = {
  due: 'due',
  plan: 'plan',
  start: 'start',
  priority: 'priority',
  takes: 'takes',
  owner: 'owner',
  every: 'every',
};
const FIELD_NAMES = ['due', 'plan', 'start', 'priority', 'takes', 'owner', 'every'] as const;

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

interface PartProps {
  label: string;
  /** The words it was read from. */
  words: string;
  leave: (() => void) | null;
  onChange: () => void;
}

/** A part of the sentence; pressed, it is changed or left as the words it was read from. */
function Part({ label, words, leave, onChange }: PartProps): ReactNode {
  const button = (
    <button type="button" className="slip-part" {...(leave === null && { onClick: onChange })}>
      {label}
    </button>
  );
  if (leave === null) return button;
  return (
    <Menu align="start" trigger={button}>
      <MenuEntry label="Change it…" onSelect={onChange} />
      <MenuEntry label={words === '' ? 'Leave it as words' : `Leave “${words.trim()}” as words`} onSelect={leave} />
    </Menu>
  );
}
