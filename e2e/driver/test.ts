/** The test function of every scenario: a shop, a fitter at its screen, and no error in the browser's console. */
import { test as base, type Page } from '@playwright/test';
import { copyOfDemoShop } from './demoShop';
import { expect } from './expect';
import { Fitter } from './Fitter';
import { ServerHost } from './ServerHost';
import type { Shop } from './Shop';

type Fixtures = {
  shop: Shop;
  fitter: Fitter;
  /** What the console may say in this test: refused requests are logged there by the browser itself. */
  allowedErrors: RegExp | null;
  /** Who is signed in when the test begins; nobody with null. */
  person: string | null;
  /** Over plain http, under a name that is no secure context. */
  plain: boolean;
};

export const test = base.extend<Fixtures, { sharedShop: Shop; host: ServerHost }>({
  /** Serves the shop of one scenario after the other. */
  host: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the names of the fixtures from the pattern.
    async ({}, use) => {
      const host = new ServerHost();
      await use(host);
      await host.kill();
    },
    { scope: 'worker' },
  ],
  /** For scenarios that only look: one shop for all of them in a worker. */
  sharedShop: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright reads the names of the fixtures from the pattern.
    async ({}, use) => {
      const shop = await copyOfDemoShop();
      await shop.start();
      await use(shop);
      await shop.drop();
    },
    { scope: 'worker' },
  ],
  shop: async ({ host }, use) => {
    const shop = await copyOfDemoShop();
    // What is measured is measured in a process of its own.
    if (process.env.LQ_FIGURES) await shop.start();
    else await shop.startIn(host);
    await use(shop);
    await shop.drop();
  },
  allowedErrors: [null, { option: true }],
  person: ['Okke', { option: true }],
  plain: [false, { option: true }],
  fitter: async ({ shop, page, allowedErrors, person, plain, serviceWorkers }, use) => {
    if (serviceWorkers === 'block' && !plain) await page.context().addInitScript(neverIdle);
    const errors = watchConsole(page, allowedErrors);
    const fitter = new Fitter(page, plain ? shop.plainUrl : shop.url);
    if (person) await fitter.comeIn(person);
    await use(fitter);
    expect(errors, 'errors in the console').toEqual([]);
  },
});

/** For scenarios that only look at what is there: one server and one shop for all of them in a worker. */
export const looking = test.extend({ shop: async ({ sharedShop }, use) => use(sharedShop) });

export { expect };

/**
 * Runs in every page. Screens that are loaded behind the first one wait for an idle moment: without one each comes when it is opened, and a page
 * does not read and run the whole program every time it is opened: 21 scenarios took 116 s instead of 125.
 */
function neverIdle(): void {
  window.requestIdleCallback = () => 0;
}

/** Collects what a page reports as an error and is not allowed. */
export function watchConsole(page: Page, allowed: RegExp | null): string[] {
  const errors: string[] = [];
  const report = (text: string) => {
    if (!allowed?.test(text)) errors.push(text);
  };
  page.on('console', (message) => message.type() === 'error' && report(`${message.text()} ${message.location().url}`));
  page.on('pageerror', (error) => report(String(error)));
  return errors;
}
