/**
 * Words without what only Recado reads: a link by title is its words, an echo the words of what it stands for.
 *
 * @example withoutSigns('Ask [[Salt on the Glass|the show]]') // 'Ask the show'
 */
export function withoutSigns(words: string): string {
  return words
    .replace(/\[\[([^\][|]*)\|([^\][]*)\]\]/g, '$2')
    .replace(/\[\[([^\][]*)\]\]/g, '$1')
    .replace(/\[([^\][]*)\]\(recado:[a-z0-9]{6}\)/g, '$1');
}
