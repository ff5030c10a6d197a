/** Runs a command on the text that is on the page, or with `onlyAsk` tells whether there is one that takes it. */
export type TextRunner = (id: string, onlyAsk?: boolean) => boolean;

let runner: TextRunner | null = null;

/** The editor on the page takes the commands of texts; null when it leaves. */
export function setTextRunner(next: TextRunner | null): void {
  runner = next;
}

export function runInText(id: string, onlyAsk = false): boolean {
  return runner?.(id, onlyAsk) ?? false;
}
