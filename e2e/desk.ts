import { type Locator, type Page, test as base, expect } from '@playwright/test';

/** The moment at which the tests stand: a Monday morning. */
export const NOW = new Date('2026-11-23T09:20:00');

/** A file as a test gives it. */
export interface GivenFile {
  name: string;
  mimeType: string;
  buffer: Buffer;
}

/** What a person does and sees, in the words of the interface. */
export class Desk {
  constructor(readonly page: Page) {}

  /** Opens Recado for the first time. */
  async open(choice: 'demo' | 'empty'): Promise<void> {
    await this.page.clock.setFixedTime(NOW);
    await this.page.goto('/');
    await this.page.getByRole('button', { name: choice === 'demo' ? 'Look around in the demo' : 'Begin with an empty desk' }).click();
    await expect(this.page.getByText(/lines indexed/)).toBeAttached();
  }

  /** Goes to an agenda page by the rack. */
  async agenda(title: string): Promise<void> {
    const pages = this.rack.getByRole('region', { name: 'Agenda' });
    const link = pages.getByText(title, { exact: true });
    // All but the daily ones are folded.
    if (!(await link.isVisible())) await pages.getByText('More pages').click();
    await link.click();
    await expect(this.page.getByRole('main').getByRole('heading', { level: 1, name: title })).toBeVisible();
  }

  /** Goes to a day by the day row. */
  async day(iso: string): Promise<void> {
    await this.page.locator(`[data-day="${iso}"]`).click();
  }

  /** Brings files in, and waits for what came of them; the dialog stays open. */
  async bringIn(files: GivenFile[]): Promise<Locator> {
    await this.rack.getByRole('link', { name: 'Files' }).click();
    await this.page.getByRole('button', { name: 'Bring in files…' }).click();
    await this.page.getByTestId('import-files').setInputFiles(files);
    await this.page.getByRole('button', { name: /^(?:Bring it in|Go on)$/ }).click();
    const report = this.page.getByTestId('import-report');
    await expect(report).toBeVisible();
    return report;
  }

  /** Waits for a menu or a dialog that stands and listens: the component library hears of a press beside only a moment after it shows. */
  async opened(what: 'menu' | 'dialog'): Promise<Locator> {
    const shown = this.page.getByRole(what);
    await expect(shown).toBeVisible();
    await this.page.evaluate(async () => new Promise((resolve) => requestIdleCallback(() => setTimeout(resolve, 50))));
    return shown;
  }

  get rack() {
    return this.page.getByRole('navigation', { name: 'Rack' });
  }

  get main() {
    return this.page.getByRole('main');
  }

  get beside() {
    return this.page.getByRole('complementary', { name: 'Beside' });
  }

  /** Chooses in the menu of the panel beside what it shows. */
  async shownBeside(label: string): Promise<void> {
    await this.beside.getByRole('heading', { level: 2 }).first().getByRole('button').click();
    await this.page.getByRole('menuitemradio', { name: label, exact: true }).click();
  }

  /** The editor's text field. */
  get text() {
    return this.page.getByRole('textbox', { name: 'Text of the note' });
  }

  /** Puts the cursor at the end of the note and types. */
  async write(words: string): Promise<void> {
    // A click may meet a name, and lead there.
    await this.text.focus();
    await this.page.keyboard.press('Control+End');
    await this.page.keyboard.type(words);
  }

  /** What the database holds for a path; null when there is no such note. */
  async stored(path: string): Promise<string | null> {
    const note = (await this.record('notes', path.toLowerCase())) as { text: string } | undefined;
    return note?.text ?? null;
  }

  async storedSettings(): Promise<unknown> {
    return this.storedValue('settings');
  }

  /** A value that the database keeps beside the notes; undefined when there is none. */
  async storedValue(id: string): Promise<unknown> {
    return ((await this.record('values', id)) as { value: unknown } | undefined)?.value;
  }

  private record(table: string, key: string): Promise<unknown> {
    return this.page.evaluate(
      async ([from, id]) => {
        const db = await new Promise<IDBDatabase>((resolve, reject) => {
          const request = indexedDB.open('recado');
          request.onsuccess = () => resolve(request.result);
          request.onerror = () => reject(new Error('the database does not open'));
        });
        const found = await new Promise<unknown>((resolve) => {
          const request = db.transaction(from).objectStore(from).get(id);
          request.onsuccess = () => resolve(request.result);
        });
        db.close();
        return found;
      },
      [table, key] as const,
    );
  }

  /** A task's row in a list. */
  row(within: ReturnType<Page['locator']>, text: string) {
    return within.getByRole('listitem').filter({ hasText: text }).first();
  }
}

/** A test with a desk; anything the page's policy refuses, and any error of the page, fails it. */
export const test = base.extend<{ desk: Desk }>({
  desk: async ({ page }, use) => {
    const wrong: string[] = [];
    page.on('pageerror', (error) => wrong.push(error.message));
    page.on('console', (message) => {
      // What is there in another version by now the server refuses, as after a page that was left while it wrote; it is fetched and brought together.
      if (/status of 412/.test(message.text())) return;
      if (message.type() === 'error' || /Content Security Policy/i.test(message.text())) wrong.push(message.text());
    });
    await use(new Desk(page));
    expect(wrong).toEqual([]);
  },
});

export { expect };
