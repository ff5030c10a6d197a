import type { Locator, Page } from '@playwright/test';

/** With what an act is done. */
export type With = 'keys' | 'clicks' | 'touches';

/** A person's hand: what it presses is counted; words that are typed are what the act is about, and are not. */
export class Hand {
  count = 0;
  /** By the keystroke-level model: Card, Moran, Newell, “The keystroke-level model for user performance time with interactive systems”, CACM 23 (1980); its figures from memory. */
  seconds = 1.35;

  constructor(
    readonly page: Page,
    readonly by: With,
  ) {}

  /** Presses a key with what is held down meanwhile. */
  async press(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.count++;
    this.seconds += 0.2 * key.split('+').length;
  }

  async type(words: string): Promise<void> {
    await this.page.keyboard.type(words);
  }

  /** Clicks on something, or touches it. */
  async point(at: Locator): Promise<void> {
    if (this.by === 'touches') await at.tap();
    else await at.click();
    this.count++;
    this.seconds += 1.1 + 0.2;
  }

  /** Goes back by the browser's own button or gesture. */
  async browserBack(): Promise<void> {
    await this.page.goBack();
    this.count++;
    this.seconds += 1.1 + 0.2;
  }
}
