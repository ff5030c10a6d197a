import { useEffect, useState } from 'react';
import { type PageParameters, useParameter, useSetParameter } from '../../session/places/routes';

/** The address follows what is typed after so many milliseconds. */
const REST = 300;

/** What is typed, what the address said when it was, and what of it was written into the address. */
export interface Typed {
  text: string;
  of: string;
  written: string | null;
}

/**
 * What stands in a field whose words the address follows: an address that was gone to fills it, but one that only follows what was typed
 * takes back nothing that was typed since.
 */
export function typedAfter(typed: Typed, asked: string): Typed {
  if (asked === typed.of) return typed;
  return asked === typed.written || asked === typed.text.trim()
    ? { ...typed, of: asked, written: null }
    : { text: asked, of: asked, written: null };
}

/**
 * The words of a field that stand in the address too, so that Back and pins bring them again: what is typed when the hands rest, what is
 * chosen at once, and before the field is left, so that whoever goes on from it comes back to it.
 */
export function useTypedParameter(
  name: keyof PageParameters,
): [text: string, type: (text: string) => void, choose: (text: string) => void, settle: () => void] {
  const asked = useParameter(name) ?? '';
  const setParameter = useSetParameter();
  const [kept, setTyped] = useState<Typed>({ text: asked, of: asked, written: null });
  const typed = typedAfter(kept, asked);
  if (typed !== kept) setTyped(typed);
  const { text } = typed;
  useEffect(() => {
    const words = text.trim();
    if (words === asked) return;
    const timer = setTimeout(() => {
      setTyped((before) => ({ ...before, written: words }));
      setParameter(name, words === '' ? null : words, true);
    }, REST);
    return () => clearTimeout(timer);
  }, [name, text, asked, setParameter]);
  const choose = (next: string): void => {
    setTyped((before) => ({ ...before, text: next, written: next.trim() }));
    setParameter(name, next.trim() === '' ? null : next.trim(), true);
  };
  const settle = (): void => {
    if (text.trim() !== asked) choose(text);
  };
  // An editor may call what types from an earlier drawing.
  return [text, (next) => setTyped((before) => ({ ...before, text: next })), choose, settle];
}
