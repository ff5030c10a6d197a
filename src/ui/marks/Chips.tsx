import type { ChipLook } from './chip-look';

/** A row of chips. */
export function Chips({ chips }: { chips: readonly ChipLook[] }) {
  return chips.map((chip, index) => (
    <span key={index} className={chipClass(chip)} title={chip.problem ?? undefined}>
      {chip.word !== '' && <span className="chip-word">{chip.word}</span>} <span className="chip-value">{chip.value}</span>
    </span>
  ));
}

/** The classes of a chip, for page and editor alike. */
export function chipClass(chip: ChipLook): string {
  return `chip${chip.tone === 'plain' ? '' : ` chip-${chip.tone}`}${chip.problem === null ? '' : ' chip-problem'}`;
}
