import { useTodayPath } from '../session/acting/use-land-task';
import { landingWords } from './landing-words';
import { readTail } from '../../core/task/line/tail';
import { chipsOf } from '../../ui/marks/chip-look';
import { InlineText } from '../../ui/InlineText';
import { counted } from '../session/acting/use-act';
import { useNow } from '../session/state/services';
import { useAppSelector } from '../session/state/state';
import type { ShownSlip } from './use-slip-read';

const MOST = 12;

/** Several lines, each with what was understood of it. */
export function SeveralLines({ read }: { read: ShownSlip }) {
  const { day: today } = useNow();
  const todayPath = useTodayPath();
  const { dateStyle: style, workingDay } = useAppSelector((state) => state.settings);
  const steps = read.lines.filter(({ depth }) => depth > 0).length;
  const whole = read.count === read.lines.length;
  return (
    <div role="status">
      <p>
        <strong className="font-semibold">
          {whole ? counted(read.lines.length - steps, 'task') : `${read.count.toLocaleString('en')} lines`}
        </strong>
        {whole && steps > 0 && ` with ${counted(steps, 'step')}`}. Lands on{' '}
        <strong className="font-semibold">{landingWords(read.landing, todayPath)}</strong>.
      </p>
      <ul className="mt-1 text-[0.93rem]">
        {read.lines.slice(0, MOST).map(({ task, line, depth }, index) => (
          <li key={index} style={{ paddingInlineStart: `${depth * 1.1}rem` }}>
            <InlineText text={task.text} />{' '}
            <span className="text-muted">
              {chipsOf(readTail(line, 2), { today, style, workingDay, open: true, restsUntil: null }, 'note')
                .filter(({ word }) => word !== 'made')
                .map(({ word, value }) => `${word} ${value}`.trim())
                .concat(task.priority ?? [])
                .join(', ')}
            </span>
          </li>
        ))}
      </ul>
      {read.count > MOST && <p className="text-muted">And {(read.count - Math.min(MOST, read.lines.length)).toLocaleString('en')} more.</p>}
    </div>
  );
}
