import type { Locator, Page } from '@playwright/test';

/** A thumb that counts what it does. */
export class Thumb {
  taps = 0;
  fields = 0;
  readonly page: Page;
  constructor(page: Page) {
    this.page = page;
  }

  async tap(what: Locator): Promise<void> {
    this.taps++;
    await what.click();
  }

  async type(what: Locator, text: string): Promise<void> {
    this.fields++;
    await what.fill(text);
  }

  /** Finds a device by a word and takes it. */
  async takeDevice(word: string, name: RegExp): Promise<void> {
    await this.tap(this.page.getByRole('combobox', { name: 'Device', exact: true }));
    await this.type(this.page.getByLabel('Search'), word);
    await this.tap(this.page.getByRole('dialog').getByRole('radio', { name }));
  }
}
