import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { baseNameOf } from '../../../../core/note/names/path';
import type { SeenList } from '../../../../store/outside/seen-lists';
import { noteAddress } from '../../../session/places/addresses';
import { useNow } from '../../../session/state/services';
import { useAppSelector } from '../../../session/state/state';
import { stateWords, toldWords } from '../outside-words';
import { useAnswers } from './use-answers';

/** How a list is: in step or not, what is asked, and what was told. */
export function ListState({ list }: { list: SeenList }) {
  const { day } = useNow();
  const style = useAppSelector((state) => state.settings.dateStyle);
  const answers = useAnswers();
  const { name, asks, lost, told, problems, trouble } = list;
  const answersTo = (asked: (typeof asks)[number]['asks'], refs: readonly string[]): [string, () => void][] =>
    asked === 'gone there'
      ? [
          ['Keep it here alone', () => answers.goneThere(name, refs, 'keep')],
          ['Remove it here too', () => answers.goneThere(name, refs, 'remove')],
          ['Make it there again', () => answers.goneThere(name, refs, 'again')],
        ]
      : [
          ['Leave it on the list', () => answers.goneHere(name, refs, 'leave')],
          ['Take it off there too', () => answers.goneHere(name, refs, 'remove')],
        ];
  return (
    <div className="grid gap-2">
      <p role="status" className={trouble === null ? 'text-muted' : 'text-late'}>
        {stateWords(list, day, style)}
      </p>
      {asks.map(({ ref, words, path, asks: asked }) => (
        <Asked key={ref}>
          <p>
            “{words}” {asked === 'gone there' ? 'is gone from the list there.' : 'is gone here; on the list it stands as it was.'}{' '}
            {path !== null && asked === 'gone there' && (
              <Link className="name-link" to={noteAddress(path)}>
                {baseNameOf(path)}
              </Link>
            )}
          </p>
          <Answers answers={answersTo(asked, [ref])} />
        </Asked>
      ))}
      {(['gone there', 'gone here'] as const).map((asked) => {
        const refs = asks.filter((one) => one.asks === asked).map(({ ref }) => ref);
        return refs.length < 2 ? null : (
          <Asked key={asked}>
            <p>
              The same for all {refs.length} that are {asked === 'gone there' ? 'gone there' : 'gone here'}:
            </p>
            <Answers answers={answersTo(asked, refs)} />
          </Asked>
        );
      })}
      {lost.map((line) => (
        <Asked key={`${line.path} ${line.line}`}>
          <p>
            “{line.words}” in{' '}
            <Link className="name-link" to={noteAddress(line.path, line.line)}>
              {baseNameOf(line.path)}
            </Link>{' '}
            says it is joined, and lost what tells with which task. Which is it?
          </p>
          <Answers
            answers={[
              ...line.may.map(({ ref, words, due }): [string, () => void] => [
                `${words}${due === null ? '' : `, due ${due}`}`,
                () => answers.lost(line, ref),
              ]),
              ['None of them: make a new one', () => answers.lost(line, null)],
            ]}
          />
        </Asked>
      ))}
      {problems.map(({ path, why }, at) => (
        <p key={at} className="text-late">
          <Link className="name-link" to={noteAddress(path)}>
            {baseNameOf(path)}
          </Link>
          : {why}
        </p>
      ))}
      {told.length > 0 && (
        <details>
          <summary className="cursor-pointer text-muted">Changed on both sides: {told.length}</summary>
          <ul className="mt-1 grid gap-1 text-[0.93rem]">
            {told.map((one, at) => (
              <li key={at}>{toldWords(one)}</li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function Asked({ children }: { children: ReactNode }) {
  return (
    <div role="group" className="rounded-md bg-raised px-3 py-2">
      {children}
    </div>
  );
}

function Answers({ answers }: { answers: readonly [string, () => void][] }) {
  return (
    <p className="mt-1 flex flex-wrap gap-2">
      {answers.map(([words, act]) => (
        <button key={words} type="button" className="line-button" onClick={act}>
          {words}
        </button>
      ))}
    </p>
  );
}
