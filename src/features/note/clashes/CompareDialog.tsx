import { useEffect, useState } from 'react';
import { refuse } from '../../session/telling/messages';
import { baseNameOf } from '../../../core/note/names/path';
import { type Choice, type Part, chosenText, compareTexts } from '../../../store/texts/compare-texts';
import { Dialog } from '../../../ui/Dialog';
import { SameLines, TextLines } from '../../../ui/SameLines';
import { useServices } from '../../session/state/services';
import { counted, useToldDone } from '../../session/acting/use-act';

interface CompareDialogProps {
  path: string;
  otherPath: string;
  onClose: () => void;
  /** Called when one text was stored and the other is gone. */
  onChosen: () => void;
}

interface Compared {
  text: string;
  other: string;
  parts: Part[];
}

const CHOICES: readonly [Choice, string][] = [
  ['this', 'This text'],
  ['other', 'The other text'],
  ['both', 'Both, one after the other'],
];

/** The two texts of a note side by side, with a choice for each place where they differ. */
export function CompareDialog({ path, otherPath, onClose, onChosen }: CompareDialogProps) {
  const { store, actions } = useServices();
  const told = useToldDone();
  const [compared, setCompared] = useState<Compared | null>(null);
  const [choices, setChoices] = useState<Choice[]>([]);
  const title = baseNameOf(path);
  useEffect(() => {
    let live = true;
    void Promise.all([store.text(path), store.text(otherPath)]).then(([text, other]) => {
      if (live && text !== null && other !== null) setCompared({ text, other, parts: compareTexts(text, other) });
    });
    return () => {
      live = false;
    };
  }, [store, path, otherPath]);
  const places = compared?.parts.filter((part) => part.is === 'place').length ?? 0;
  const chooseAll = (choice: Choice): void => setChoices(Array.from({ length: places }, () => choice));
  const keep = async (): Promise<void> => {
    if (!compared) return;
    const result = await actions.settle(path, otherPath, compared, chosenText(compared.parts, choices));
    onClose();
    if ('refused' in result) {
      refuse(result.refused);
      return;
    }
    told(`One text of “${title}” is kept.`, result.step);
    onChosen();
  };
  return (
    <Dialog open onClose={onClose} title={`Two texts of “${title}”`} side="wide">
      {!compared ? (
        <p className="text-muted">Comparing…</p>
      ) : (
        <form
          className="grid gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <p className="text-muted">
            {places === 0
              ? 'Both say the same.'
              : `They differ in ${counted(places, 'place')}. Choose what stays; the other text goes then, and Undo brings it back.`}
          </p>
          {places > 1 && (
            <div className="flex flex-wrap gap-2">
              {CHOICES.slice(0, 2).map(([choice, words]) => (
                <button key={choice} type="button" className="line-button" onClick={() => chooseAll(choice)}>
                  {words} everywhere
                </button>
              ))}
            </div>
          )}
          <div className="grid gap-2">
            {placed(compared.parts).map(({ part, place }, index) =>
              part.is === 'same' ? (
                <SameLines key={index} lines={part.lines} words="that both have" />
              ) : (
                <Place
                  key={index}
                  part={part}
                  name={`Place ${place + 1} of ${places}`}
                  choice={choices[place] ?? 'this'}
                  onChoose={(choice) =>
                    setChoices(Array.from({ length: places }, (_, at) => (at === place ? choice : (choices[at] ?? 'this'))))
                  }
                />
              ),
            )}
          </div>
          <div className="flex flex-wrap gap-2">
            <button type="submit" className="solid-button">
              Keep what is chosen
            </button>
            <button type="button" className="line-button" onClick={onClose}>
              Leave both
            </button>
          </div>
        </form>
      )}
    </Dialog>
  );
}

/** Each part, with how many places come before it. */
function placed(parts: readonly Part[]): { part: Part; place: number }[] {
  let place = 0;
  return parts.map((part) => ({ part, place: part.is === 'place' ? place++ : place }));
}

interface PlaceProps {
  part: Extract<Part, { is: 'place' }>;
  name: string;
  choice: Choice;
  onChoose: (choice: Choice) => void;
}

function Place({ part, name, choice, onChoose }: PlaceProps) {
  const lines = { this: part.these, other: part.others, both: null };
  return (
    <fieldset className="rounded-lg border border-line p-2">
      <legend className="section-label px-1">{name}</legend>
      <div className="grid gap-2 sm:grid-cols-2">
        {CHOICES.filter(([value]) => value !== 'both' || (part.these.length > 0 && part.others.length > 0)).map(([value, words]) => (
          <label
            key={value}
            className={`block rounded-md px-2 py-1 ${value === 'both' ? 'sm:col-span-2' : ''} ${choice === value ? 'bg-primary-soft' : 'bg-raised'}`}
          >
            <span className="flex min-h-7 items-center gap-1.5">
              <input
                type="radio"
                name={name}
                className="h-4 w-4 accent-(--primary)"
                checked={choice === value}
                onChange={() => onChoose(value)}
              />
              {words}
            </span>
            {lines[value] && (
              <span className="block max-h-60 overflow-auto font-mono text-[0.82rem]">
                {lines[value].length === 0 ? <em className="text-muted">nothing here</em> : <TextLines lines={lines[value]} />}
              </span>
            )}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
