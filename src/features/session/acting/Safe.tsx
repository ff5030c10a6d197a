import { Component, type ReactNode } from 'react';
import { reportProblem } from '../../../store/notes/listeners';
import { isPieceGone } from '../telling/why-failed';

interface SafeProps {
  /** What it is that may fail, in the sentence: “This list cannot be shown.” */
  part: string;
  /** When it becomes another, what failed is tried again. */
  of?: string;
  /** What stands around the sentence, where the part has a frame of its own. */
  frame?: (sentence: ReactNode) => ReactNode;
  children: ReactNode;
}

/** A part of the page that fails says so and offers to try again; the rest works. After an update its piece may be gone: then the page is loaded anew. */
export class Safe extends Component<SafeProps, { failed: unknown; of: string | undefined }> {
  override state: { failed: unknown; of: string | undefined } = { failed: null, of: this.props.of };

  static getDerivedStateFromError(error: unknown): { failed: unknown } {
    return { failed: error ?? true };
  }

  static getDerivedStateFromProps({ of }: SafeProps, state: { of: string | undefined }): { failed: null; of: string | undefined } | null {
    return of === state.of ? null : { failed: null, of };
  }

  override componentDidCatch(error: unknown): void {
    reportProblem(error);
  }

  override render(): ReactNode {
    const { failed } = this.state;
    if (failed === null) return this.props.children;
    const gone = isPieceGone(failed);
    const sentence = (
      <div role="alert" className="grid justify-items-start gap-2 rounded-md bg-late-soft px-3 py-2 text-late">
        <p>
          {this.props.part} cannot be shown.{' '}
          {gone ? 'A piece of the program is missing, as after an update.' : 'The rest works, and your notes are safe.'}
        </p>
        {gone ? (
          <button type="button" className="line-button text-ink" onClick={() => location.reload()}>
            Load the page anew; every word is kept
          </button>
        ) : (
          <button type="button" className="line-button text-ink" onClick={() => this.setState({ failed: null })}>
            Try again
          </button>
        )}
      </div>
    );
    return this.props.frame ? this.props.frame(sentence) : sentence;
  }
}
