import { type FormEvent, type ReactNode, useEffect, useState, useSyncExternalStore } from 'react';
import { Logo } from '../ui/Logo';
import { JoinedLent } from './join-lent';
import { LentPage } from './LentPage';
import { cleanPresence } from './presence';
import { Labelled } from '../ui/form/Labelled';

const SECRET = /^#[\w-]{22}$/;

/** What stands behind the number sign, which no server is sent. */
function useSecret(): string | null {
  const hash = useSyncExternalStore(
    (changed) => {
      window.addEventListener('hashchange', changed);
      return () => window.removeEventListener('hashchange', changed);
    },
    () => location.hash,
  );
  return SECRET.test(hash) ? hash.slice(1) : null;
}

/** The page of somebody to whom something is lent. */
export function LentApp() {
  const secret = useSecret();
  return secret === null ? <Nothing /> : <Asked key={secret} secret={secret} />;
}

/** Joins with what is lent, and again with a word where one is asked for. */
function Asked({ secret }: { secret: string }) {
  const [word, setWord] = useState<string | null>(null);
  const [round, setRound] = useState(0);
  return <Joined key={`${round} ${word ?? ''}`} secret={secret} word={word} onWord={setWord} onAgain={() => setRound(round + 1)} />;
}

interface JoinedProps {
  secret: string;
  word: string | null;
  onWord: (word: string) => void;
  /** It is lent otherwise now. */
  onAgain: () => void;
}

function Joined({ secret, word, onWord, onAgain }: JoinedProps) {
  const [lent, setLent] = useState<JoinedLent | null>(null);
  useEffect(() => {
    const joined = new JoinedLent(secret, word, '');
    const stop = cleanPresence(joined.awareness);
    setLent(joined);
    return () => {
      stop();
      joined.leave();
    };
  }, [secret, word]);
  return lent && <Shown lent={lent} onWord={onWord} onAgain={onAgain} />;
}

function Shown({ lent, onWord, onAgain }: Pick<JoinedProps, 'onWord' | 'onAgain'> & { lent: JoinedLent }) {
  const shown = useSyncExternalStore(lent.listen, lent.present);
  const isOther = shown.access === 'again';
  useEffect(() => {
    if (isOther) onAgain();
  }, [isOther, onAgain]);
  useEffect(() => {
    const keep = (event: BeforeUnloadEvent): void => {
      if (!lent.present().isKept) event.preventDefault();
    };
    window.addEventListener('beforeunload', keep);
    return () => window.removeEventListener('beforeunload', keep);
  }, [lent]);
  switch (shown.access) {
    case 'asking':
    case 'again':
      return <Plain title="Lent to you" says={<p role="status">Looking…</p>} />;
    case 'nothing':
      return <Nothing />;
    case 'busy':
      return (
        <Plain
          title="Too many ask for this now"
          says={
            <>
              <p>Wait a minute, and open it again.</p>
              <button type="button" className="line-button mt-2" onClick={() => location.reload()}>
                Open it again
              </button>
            </>
          }
        />
      );
    case 'word':
    case 'wrong word':
      return <Word isWrong={shown.access === 'wrong word'} onWord={onWord} />;
    case 'open':
      return shown.about === null ? (
        <Plain
          title="Lent to you"
          says={<p role="status">Whoever lent this has not opened Recado since; it comes as soon as they do.</p>}
        />
      ) : (
        <LentPage lent={lent} shown={shown} about={shown.about} />
      );
  }
}

function Plain({ title, says }: { title: string; says: ReactNode }) {
  return (
    <main className="mx-auto mt-[12vh] max-w-[34rem] rounded-xl bg-sheet p-8">
      <Logo />
      <h1 className="mt-5 mb-2 font-title text-[1.4rem] font-bold">{title}</h1>
      {says}
    </main>
  );
}

/** The same for whatever is wrong with an address: it tells nobody what there was. */
function Nothing() {
  return (
    <Plain
      title="There is nothing at this address"
      says={<p>It was called back, its last day is over, or it was not copied whole. Ask whoever gave it to you.</p>}
    />
  );
}

function Word({ isWrong, onWord }: { isWrong: boolean; onWord: (word: string) => void }) {
  const [typed, setTyped] = useState('');
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (typed !== '') onWord(typed);
  };
  return (
    <Plain
      title="A word is asked for"
      says={
        <form className="grid gap-3" onSubmit={submit}>
          <p>Whoever lent this to you gave you a word with its address.</p>
          <Labelled label="The word">
            <input
              className="field"
              type="password"
              autoFocus
              autoComplete="off"
              maxLength={100}
              value={typed}
              aria-invalid={isWrong}
              aria-describedby={isWrong ? 'wrong-word' : undefined}
              onChange={({ target }) => setTyped(target.value)}
            />
          </Labelled>
          {isWrong && (
            <p id="wrong-word" role="alert" className="text-late">
              That is another word. After ten wrong ones it takes a minute.
            </p>
          )}
          <button type="submit" className="solid-button justify-self-start" disabled={typed === ''}>
            Open
          </button>
        </form>
      }
    />
  );
}
