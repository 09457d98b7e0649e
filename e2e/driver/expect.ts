/**
 * What a scenario holds to be so. Asked of what is not there yet, Playwright writes down the whole page, as a reader would hear it, at every
 * look, and throws all but the last away: of a page that is still coming that is a twelfth of the page's own work. Here a scenario waits for
 * it first, and asks with Playwright's words then.
 */
import { type Locator, expect as plain } from '@playwright/test';

type Patience = { readonly timeout?: number };
type Asked = { readonly isNot: boolean; readonly timeout: number };
type Text = string | RegExp;

const AT_ONCE = { timeout: 1 };

export const expect = plain.extend({
  async toBeVisible(locator: Locator, options?: Patience) {
    const state = this.isNot ? 'hidden' : 'visible';
    return met(
      this,
      (await isSo(locator, state, options, this)) ? null : () => words(this, locator).toBeVisible(AT_ONCE),
    );
  },
  async toBeHidden(locator: Locator, options?: Patience) {
    const state = this.isNot ? 'visible' : 'hidden';
    return met(
      this,
      (await isSo(locator, state, options, this)) ? null : () => words(this, locator).toBeHidden(AT_ONCE),
    );
  },
  async toContainText(locator: Locator, expected: Text, options?: Patience) {
    await isSo(locator.first(), 'attached', options, this);
    return met(this, () => words(this, locator).toContainText(expected, options));
  },
  async toHaveText(locator: Locator, expected: Text | readonly Text[], options?: Patience) {
    await isSo(locator.first(), 'attached', options, this);
    return met(this, () => words(this, locator).toHaveText(expected, options));
  },
  async toHaveValue(locator: Locator, expected: Text, options?: Patience) {
    await isSo(locator.first(), 'attached', options, this);
    return met(this, () => words(this, locator).toHaveValue(expected, options));
  },
});

function isSo(
  locator: Locator,
  state: 'visible' | 'hidden' | 'attached',
  options: Patience | undefined,
  asked: Asked,
): Promise<boolean> {
  return locator.waitFor({ state, timeout: options?.timeout ?? asked.timeout }).then(
    () => true,
    () => false,
  );
}

const words = ({ isNot }: Asked, locator: Locator) => (isNot ? plain(locator).not : plain(locator));

/** Throws in Playwright's own words where it is not so. */
async function met({ isNot }: Asked, ask: (() => Promise<void>) | null) {
  await ask?.();
  return { pass: !isNot, message: () => '' };
}
