import { tokensOf } from '../language/lexer';

/**
 * The same gather without its limits: what the footer of a list shows at a click.
 *
 * @example withoutLimits('open\nlimit 3 per group') // 'open\n'
 */
export function withoutLimits(text: string): string {
  const tokens = tokensOf(text);
  let result = '';
  let at = 0;
  tokens.forEach((token, index) => {
    if (token.kind !== 'word' || token.value !== 'limit' || tokens[index + 1]?.kind !== 'number') return;
    const perGroup = tokens[index + 2]?.value === 'per' && tokens[index + 3]?.value === 'group';
    const last = tokens[index + (perGroup ? 3 : 1)];
    result += text.slice(at, token.from);
    at = last?.to ?? token.to;
  });
  return result + text.slice(at);
}
