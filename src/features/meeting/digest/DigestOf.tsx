import { InlineText } from '../../../ui/InlineText';
import { useAppSelector } from '../../session/state/state';
import { useAsked } from '../../session/asked/use-asked';

/** The digest of a meeting, as the row of a list shows it. */
export function DigestOf({ path }: { path: string }) {
  const heading = useAppSelector((state) => state.settings.digestHeading);
  const lines = useAsked('digest', { path, heading });
  if (lines === undefined) return <p className="text-muted">Making the digest…</p>;
  return (
    <ul className="mb-2 text-[0.93rem]" aria-label="Digest">
      {lines.map((line, index) => (
        <li key={index} style={{ paddingInlineStart: `${depthOf(line) * 1.1}rem` }} className={isTitle(lines, index) ? 'text-muted' : ''}>
          <InlineText text={line.trim().replace(/^[-*+] /, '')} leads />
        </li>
      ))}
    </ul>
  );
}

const depthOf = (line: string): number => Math.floor((line.length - line.trimStart().length) / 2);

/** Whether a line only says what the lines under it are. */
const isTitle = (lines: readonly string[], index: number): boolean => depthOf(lines[index + 1] ?? '') > depthOf(lines[index] ?? '');
