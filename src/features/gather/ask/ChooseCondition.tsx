import { Command as Menu } from 'cmdk';
import { useMemo, useState } from 'react';
import type { Condition, GatherContext } from '../../../core/gather/language/ast';
import { parseGather } from '../../../core/gather/language/parse';
import { conditionWords } from '../../../core/gather/saying/sentence';
import { CHOICE_KINDS, type Choice, type ChoiceKind, matching, typedChoices } from './choices';
import { useChoices } from './use-choices';

interface ChooseConditionProps {
  context: GatherContext;
  onChoose: (condition: Condition) => void;
}

/** A condition is found by typing part of it, or among those of one kind. */
export function ChooseCondition({ context, onChoose }: ChooseConditionProps) {
  const [kind, setKind] = useState<ChoiceKind | null>(null);
  const [typed, setTyped] = useState('');
  const choices = useChoices(typed);
  const all = useMemo(() => said(choices, context), [choices, context]);
  const own = said(typedChoices(typed), context);
  const shown = matching(kind === null ? all : all.filter((choice) => choice.kind === kind), typed);
  return (
    <Menu label="Conditions" loop shouldFilter={false}>
      <Menu.Input
        autoFocus
        className="field mb-1.5 w-full"
        placeholder="Type a tag, a person, a note, a day, a status, or words"
        value={typed}
        onValueChange={setTyped}
      />
      <p className="mb-1 flex flex-wrap gap-1" role="group" aria-label="Kinds of conditions">
        {CHOICE_KINDS.filter((one) => one !== 'words').map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={kind === one}
            className={`quiet-button min-h-[25px] text-[0.84rem] ${kind === one ? 'bg-primary-soft font-semibold text-ink' : ''}`}
            onClick={() => setKind(kind === one ? null : one)}
          >
            {one}
          </button>
        ))}
      </p>
      <Menu.List className="max-h-64 overflow-auto">
        <Menu.Empty className="px-2 py-1 text-muted">Nothing is called so.</Menu.Empty>
        {shown.map(({ text, words, hint, where }) => (
          <Menu.Item key={text} value={text} className="menu-item justify-between" onSelect={() => onChoose(where)}>
            <span className="min-w-0 truncate">{words}</span>
            <span className="text-[0.84rem] text-muted">{hint}</span>
          </Menu.Item>
        ))}
        {own.map(({ text, words, where }) => (
          <Menu.Item
            key={`typed ${text}`}
            value={`${typed} ${text}`}
            className="menu-item justify-between"
            onSelect={() => onChoose(where)}
          >
            <span className="min-w-0 truncate">{words}</span>
            <span className="text-[0.84rem] text-muted">as it is typed</span>
          </Menu.Item>
        ))}
      </Menu.List>
    </Menu>
  );
}

/** Choices with the condition that each is, and how it is said. */
const said = (choices: readonly Choice[], context: GatherContext): (Choice & { where: Condition; words: string })[] =>
  choices.flatMap((choice) => {
    const { where } = parseGather(`where ${choice.text}`).gather;
    return where ? [{ ...choice, where, words: conditionWords(where, context) }] : [];
  });
