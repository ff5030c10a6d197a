/** Names that are to be added to tasks, and who does them or asked for them; empty where nobody is said. */
export interface TypedNames {
  words: string[];
  who: Record<'owner' | 'asked', string>;
}

/**
 * What is typed to be added, with the clause words of a tail for who does it and who asked.
 *
 * @example readNames('#loans owner @teo') // { words: ['#loans'], who: { owner: '@teo', asked: '' } }
 */
export function readNames(typed: string): TypedNames {
  const words: string[] = [];
  const who = { owner: '', asked: '' };
  const rest = typed.split(/[\s,;]+/).filter((word) => word !== '');
  for (let word = rest.shift(); word !== undefined; word = rest.shift()) {
    const clause = word.toLowerCase();
    if ((clause === 'owner' || clause === 'asked') && rest.length > 0) who[clause] = rest.shift() ?? '';
    else words.push(word);
  }
  return { words, who };
}
