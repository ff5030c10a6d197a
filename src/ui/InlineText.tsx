import type { ReactNode } from 'react';
import { picturesIn } from '../core/note/names/picture-path';
import { readInline } from '../core/note/names/names';

interface Piece {
  from: number;
  to: number;
  node: ReactNode;
}

/** The words of a task with its tags, people and links marked; plain text otherwise. */
export function InlineText({ text }: { text: string }) {
  const { names, links } = readInline(text);
  const pieces: Piece[] = [
    ...names.map(({ kind, from, to }) => ({
      from,
      to,
      node: (
        <span className={kind === 'tag' ? 'name-tag' : 'name-person'} data-name={text.slice(from, to)}>
          {text.slice(from, to)}
        </span>
      ),
    })),
    ...links.map(({ from, to, words, target, heading }) => ({
      from,
      to,
      node: (
        <span className="name-link" data-link={target}>
          {words ?? (heading === null ? target : `${target} › ${heading}`)}
        </span>
      ),
    })),
    ...picturesIn(text).map(({ from, to, words }) => ({
      from,
      to,
      node: <span className="text-muted">({words === '' ? 'a picture' : `picture: ${words}`})</span>,
    })),
  ].sort((a, b) => a.from - b.from);
  const nodes: ReactNode[] = [];
  let at = 0;
  for (const { from, to, node } of pieces) {
    nodes.push(text.slice(at, from), <span key={from}>{node}</span>);
    at = to;
  }
  nodes.push(text.slice(at));
  return <bdi>{nodes}</bdi>;
}
