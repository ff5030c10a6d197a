import type { ReactNode } from 'react';
import { addressesIn, namedAddressesIn, taskLinksIn } from '../core/note/names/addresses';
import { type InlineMark, marksIn } from '../core/note/names/inline-marks';
import { picturesIn } from '../core/note/names/picture-path';
import { readInline } from '../core/note/names/names';

interface Piece {
  from: number;
  to: number;
  /** Where what is drawn inside it begins and ends. */
  inner?: { from: number; to: number };
  node: (inside: ReactNode) => ReactNode;
}

interface InlineTextProps {
  text: string;
  /** Whether a press on an address of the web opens it; not where the words stand in a link themselves. */
  leads?: boolean;
}

/** The words of a task as they are read: tags, people, links and addresses marked, emphasis as what it says; plain text otherwise. */
export function InlineText({ text, leads = false }: InlineTextProps) {
  return <bdi>{drawn(text, piecesOf(text, leads), 0, { from: 0, to: text.length })}</bdi>;
}

function piecesOf(text: string, leads: boolean): Piece[] {
  const { names, links } = readInline(text);
  const marks = marksIn(text);
  const named = [...namedAddressesIn(text), ...taskLinksIn(text)];
  const isCode = ({ from, to }: { from: number; to: number }): boolean =>
    marks.some((mark) => mark.is === 'code' && mark.from < to && from < mark.to);
  const address = (url: string, inside: ReactNode): ReactNode =>
    leads ? (
      <a className="name-link" href={url} target="_blank" rel="noreferrer">
        {inside}
      </a>
    ) : (
      <span className="name-link">{inside}</span>
    );
  const pieces: Piece[] = [
    ...names.map(({ kind, from, to }) => ({
      ...{ from, to },
      node: () => (
        <span className={kind === 'tag' ? 'name-tag' : 'name-person'} data-name={text.slice(from, to)}>
          {text.slice(from, to)}
        </span>
      ),
    })),
    ...links.map(({ from, to, words, target, heading }) => ({
      ...{ from, to },
      node: () => (
        <span className="name-link" data-link={target}>
          {words ?? (heading === null ? target : `${target} › ${heading}`)}
        </span>
      ),
    })),
    ...picturesIn(text).map(({ from, to, words }) => ({
      ...{ from, to },
      node: () => <span className="text-muted">({words === '' ? 'a picture' : `picture: ${words}`})</span>,
    })),
    ...named
      .filter((one) => one.words.trim() !== '' && !isCode(one))
      .map((one) => ({
        ...{ from: one.from, to: one.to, inner: { from: one.from + 1, to: one.from + 1 + one.words.length } },
        node: (inside: ReactNode) => ('url' in one ? address(one.url, inside) : <span className="name-link">{inside}</span>),
      })),
    ...addressesIn(text)
      .filter((one) => !isCode(one))
      .map(({ url, from, to }) => ({ ...{ from, to }, node: () => address(url, url) })),
    ...marks.map(({ is, from, to, width }) => ({
      ...{ from, to, inner: { from: from + width, to: to - width } },
      node: (inside: ReactNode) => marked(is, inside),
    })),
  ];
  // Of two that begin together the longer one holds the other.
  return pieces.sort((a, b) => a.from - b.from || b.to - a.to);
}

/**
 * What lies between two places, each piece drawn with those that lie in it; one that reaches out of another is not drawn.
 *
 * @param first the first of the pieces that can lie there
 */
function drawn(text: string, pieces: readonly Piece[], first: number, { from, to }: { from: number; to: number }): ReactNode[] {
  const nodes: ReactNode[] = [];
  let at = from;
  for (let index = first; index < pieces.length; index++) {
    const piece = pieces[index];
    if (!piece || piece.from >= to) break;
    if (piece.from < at || piece.to > to) continue;
    const inside = piece.inner && drawn(text, pieces, index + 1, piece.inner);
    nodes.push(text.slice(at, piece.from), <span key={piece.from}>{piece.node(inside)}</span>);
    at = piece.to;
  }
  nodes.push(text.slice(at, to));
  return nodes;
}

function marked(is: InlineMark['is'], inside: ReactNode): ReactNode {
  switch (is) {
    case 'code':
      return <code className="rounded bg-raised px-1 font-mono text-[0.92em]">{inside}</code>;
    case 'bold':
      return <strong>{inside}</strong>;
    case 'slanted':
      return <em>{inside}</em>;
    case 'struck':
      return <s>{inside}</s>;
  }
}
