import { useEffect, useState } from 'react';
import { InlineText } from '../../ui/InlineText';
import { useServices } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import { useChanges } from '../session/state/use-changes';

/** The digest of a meeting, as the row of a list shows it. */
export function DigestOf({ path }: { path: string }) {
  const { engine } = useServices();
  const changes = useChanges();
  const heading = useAppSelector((state) => state.settings.digestHeading);
  const [lines, setLines] = useState<readonly string[] | null>(null);
  useEffect(() => {
    let gone = false;
    void engine.ask('digest', { path, heading }).then((said) => !gone && setLines(said));
    return () => {
      gone = true;
    };
  }, [engine, changes, path, heading]);
  if (lines === null) return <p className="text-muted">Making the digest…</p>;
  return (
    <ul className="mb-2 text-[0.93rem]" aria-label="Digest">
      {lines.map((line, index) => (
        <li key={index} style={{ paddingInlineStart: `${depthOf(line) * 1.1}rem` }} className={isTitle(lines, index) ? 'text-muted' : ''}>
          <InlineText text={line.trim().replace(/^[-*+] /, '')} />
        </li>
      ))}
    </ul>
  );
}

const depthOf = (line: string): number => Math.floor((line.length - line.trimStart().length) / 2);

/** Whether a line only says what the lines under it are. */
const isTitle = (lines: readonly string[], index: number): boolean => depthOf(lines[index + 1] ?? '') > depthOf(lines[index] ?? '');
