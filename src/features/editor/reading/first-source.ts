import type { CompletionContext, CompletionResult, CompletionSource } from '@codemirror/autocomplete';

/**
 * Sources of completion as one: the first that has something to say is heard. With several the library closes the list to keys at every
 * letter, until each was asked again; who types fast and presses Enter then gets a new line in the place of what is offered.
 */
export function firstSource(sources: readonly CompletionSource[]): CompletionSource {
  const from = (index: number, context: CompletionContext): CompletionResult | null | Promise<CompletionResult | null> => {
    const result = sources[index]?.(context);
    if (result === undefined) return null;
    if (result instanceof Promise) return result.then((found) => found ?? from(index + 1, context));
    return result ?? from(index + 1, context);
  };
  return (context) => from(0, context);
}
