import { useState } from 'react';
import { type OutFormat, OUT_FORMATS } from '../../../core/formats/out/formats';
import type { Taken } from '../../../engine/files/take-out';
import { Choice } from '../../../ui/form/Choice';
import { titleOf, useTakeOut } from './use-take-out';

interface TakeOutProps {
  taken: Taken;
  /** The format that is chosen at first. */
  first: OutFormat;
  /** What goes out, said beforehand. */
  says: string;
  /** The columns of the table, where a list says some. */
  columns?: readonly string[];
  /** Whether it is one thing, which can go to the clipboard and on paper, and not many notes. */
  isOne: boolean;
}

const ALL = Object.keys(OUT_FORMATS) as OutFormat[];
/** What somebody else’s desk can take in. */
const SET_UP: readonly OutFormat[] = ['markdown', 'json'];

/** Takes something out: in which form, as a file or by the clipboard; it says what came of it. */
export function TakeOut({ taken, first, says, columns, isOne }: TakeOutProps) {
  const [chosen, setFormat] = useState(first);
  const { writing, save, copy, print, stop } = useTakeOut();
  const isBusy = writing.is === 'writing';
  // Cards are made of the pages of people; a list or a branch holds none.
  const formats = taken.is === 'set-up' ? SET_UP : ALL.filter((one) => one !== 'vcard' || (taken.is !== 'lists' && taken.is !== 'lines'));
  const format = formats.includes(chosen) ? chosen : (formats[0] ?? 'markdown');
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (!isBusy) void save(taken, format, columns);
      }}
    >
      <p>{says}</p>
      <Choice
        label="As"
        value={format}
        options={formats.map((one) => [one, OUT_FORMATS[one].name, OUT_FORMATS[one].holds] as const)}
        onChoose={setFormat}
        takesFocus={isOne}
      />
      <div className="flex flex-wrap gap-2">
        <button type="submit" className="solid-button" disabled={isBusy}>
          Save as a file
        </button>
        {isOne && (
          <>
            <button type="button" className="line-button" disabled={isBusy} onClick={() => void copy(taken, format, columns)}>
              Copy
            </button>
            <button type="button" className="line-button" disabled={isBusy} onClick={() => void print(taken)}>
              Print
            </button>
          </>
        )}
        {isBusy && (
          <button type="button" className="line-button" onClick={stop}>
            Stop
          </button>
        )}
      </div>
      {writing.is !== 'idle' && (
        <div role="status" className={writing.is === 'failed' ? 'text-late' : ''} aria-label={`What became of ${titleOf(taken)}`}>
          <p>{writing.words}</p>
          {writing.is === 'done' && writing.report.map((words) => <p key={words}>{words}</p>)}
        </div>
      )}
    </form>
  );
}
