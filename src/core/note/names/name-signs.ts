/**
 * Where in a text the signs of tags, people and links stand, and those that can hide one. Each is looked for once over the whole
 * text, so that the lines without any, which are most, are not looked at; what is asked for must only ever lie further on.
 */
export class NameSigns {
  private readonly hash: Sign;
  private readonly at: Sign;
  private readonly link: Sign;
  private readonly tick: Sign;
  private readonly less: Sign;
  private readonly backslash: Sign;
  private readonly target: Sign;

  constructor(text: string) {
    this.hash = new Sign(text, '#');
    this.at = new Sign(text, '@');
    this.link = new Sign(text, '[[');
    this.tick = new Sign(text, '`');
    this.less = new Sign(text, '<');
    this.backslash = new Sign(text, '\\');
    this.target = new Sign(text, '](');
  }

  /** The first place, from an offset on, where a tag, a person or a link may begin; behind every text when there is none. */
  from(offset: number): number {
    return Math.min(this.hash.from(offset), this.at.from(offset), this.link.from(offset));
  }

  /** Whether code, an address, a backslash or the target of a link may stand between two offsets, and hide a name. */
  hiddenIn(from: number, to: number): boolean {
    return this.tick.from(from) < to || this.less.from(from) < to || this.backslash.from(from) < to || this.target.from(from) < to;
  }
}

/** More characters than a text can have. */
const NOWHERE = 2 ** 30 - 1;

/** The places of one sign in a text, one after the other. */
class Sign {
  private next = -1;

  constructor(
    private readonly text: string,
    private readonly sign: string,
  ) {}

  from(offset: number): number {
    if (this.next < offset) {
      const at = this.text.indexOf(this.sign, offset);
      this.next = at === -1 ? NOWHERE : at;
    }
    return this.next;
  }
}
