import type { RootContent } from 'mdast';
import { Fragment, type ReactNode } from 'react';
import { TryGather } from './TryGather';

/** Text of the help, drawn; a gather in it can be asked where it stands. */
export function Markdown({ nodes }: { nodes: readonly RootContent[] }) {
  return nodes.map((node, index) => <Fragment key={index}>{drawn(node)}</Fragment>);
}

const all = (nodes: readonly RootContent[]): ReactNode => <Markdown nodes={nodes} />;

function drawn(node: RootContent): ReactNode {
  switch (node.type) {
    case 'text':
      return node.value;
    case 'paragraph':
      return <p className="my-2 leading-relaxed">{all(node.children)}</p>;
    case 'emphasis':
      return <em>{all(node.children)}</em>;
    case 'strong':
      return <strong>{all(node.children)}</strong>;
    case 'inlineCode':
      return <code className="rounded bg-raised px-1 font-mono text-[0.88em] [overflow-wrap:anywhere]">{node.value}</code>;
    case 'code':
      if (node.lang === 'gather') return <TryGather text={node.value} />;
      // What is wider than the page is scrolled by keys too.
      return (
        <pre tabIndex={0} className="my-2 overflow-x-auto rounded-md bg-raised p-2.5 font-mono text-[0.84rem]">
          <code>{node.value}</code>
        </pre>
      );
    case 'list':
      return node.ordered ? (
        <ol className="my-2 list-decimal ps-6">{all(node.children)}</ol>
      ) : (
        <ul className="my-2 list-disc ps-6">{all(node.children)}</ul>
      );
    case 'listItem':
      return (
        <li className="my-1">
          {node.children.map((child, index) =>
            child.type === 'paragraph' ? (
              <Fragment key={index}>{all(child.children)}</Fragment>
            ) : (
              <Fragment key={index}>{drawn(child)}</Fragment>
            ),
          )}
        </li>
      );
    case 'table': {
      const [head, ...rows] = node.children;
      return (
        <div tabIndex={0} role="region" aria-label="A table" className="relative my-2 overflow-x-auto">
          <table className="w-full border-collapse text-[0.93rem]">
            <thead>
              <tr className="border-b border-edge text-start">
                {head?.children.map((cell, index) => (
                  <th key={index} scope="col" className="px-2 py-1 text-start font-semibold">
                    {all(cell.children)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, index) => (
                <tr key={index} className="border-b border-line align-top">
                  {row.children.map((cell, at) => (
                    <td key={at} className="px-2 py-1">
                      {all(cell.children)}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      );
    }
    case 'break':
      return <br />;
    default:
      return 'children' in node ? all(node.children) : 'value' in node ? node.value : null;
  }
}
