import { BACKSLASH, CLOSE_BRACKET, COLON, OPEN_BRACKET } from './block-signs';

/** The paragraph that is being read. One serves all of a text, so that its lists are made once. */
export class OpenParagraph {
  /** Its first line. */
  line = 0;
  lineCount = 0;
  /** Where its lines begin, without what indents or quotes them, and end. */
  private readonly from: number[] = [];
  private readonly to: number[] = [];

  constructor(private readonly text: string) {}

  begin(line: number): void {
    this.line = line;
    this.lineCount = 0;
  }

  add(from: number, to: number): void {
    const index = this.lineCount++;
    this.from[index] = from;
    this.to[index] = to;
  }

  /** Its lines as one text. */
  get words(): string {
    return Array.from({ length: this.lineCount }, (_, index) => this.text.slice(this.from[index], this.to[index])).join('\n');
  }

  /** Whether it may begin with a reference definition, which most that begin with a bracket do not: the box of a task is none. */
  get mayDefine(): boolean {
    const { text } = this;
    const from = this.from[0] as number;
    const to = this.to[0] as number;
    if (text.charCodeAt(from) !== OPEN_BRACKET) return false;
    for (let at = from + 1; at < to; at++) {
      const code = text.charCodeAt(at);
      if (code === BACKSLASH) at++;
      else if (code === OPEN_BRACKET) return false;
      else if (code === CLOSE_BRACKET) return text.charCodeAt(at + 1) === COLON;
    }
    return true;
  }
}
