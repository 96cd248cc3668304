import type { Locator, Page } from '@playwright/test';

/** Counts what a builder does by hand: each press of the mouse, each key, each choice of a file. */
export class Hand {
  presses = 0;
  constructor(private readonly page: Page) {}
  async click(target: Locator) {
    await target.click();
    this.presses += 1;
  }
  async type(target: Locator, text: string) {
    await target.fill(text);
    this.presses += text.length + 1;
  }
  /** What is typed where the focus is. */
  async keys(text: string) {
    await this.page.keyboard.type(text);
    this.presses += text.length;
  }
  async press(key: string) {
    await this.page.keyboard.press(key);
    this.presses += 1;
  }
  /** A field with a list: opened, and one chosen. */
  async select(target: Locator, value: string | { label: string }) {
    await target.selectOption(value);
    this.presses += 2;
  }
  /** A button that asks for a file: pressed, the file found and taken. */
  async file(opens: Locator, name: string, text: string) {
    const asked = this.page.waitForEvent('filechooser');
    await opens.click();
    await (await asked).setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
    this.presses += 3;
  }
}
