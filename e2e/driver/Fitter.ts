/** A fitter at the screen, in the words of the shop. Every step waits for what it says. */
import type { Locator, Page } from '@playwright/test';
import { demoJobAddress } from './demoShop';
import { expect } from './expect';
import { PLAIN_HOST } from './Shop';
import { signInOf } from './signIns';

type Asked = { readonly name: string; readonly password: string };
type Let = { readonly status: number; readonly id: string };

export class Fitter {
  /** Named with every request that goes past the screen. */
  headers: Readonly<Record<string, string>> = {};
  private readonly jobs = new Map<string, string>();
  /** Somebody came in whom no open page knows. */
  private isNew = true;

  constructor(
    readonly page: Page,
    readonly address: string,
  ) {}

  /** Comes in without the screen: what is tested is behind it. Jory is counter and fitter, Okke the owner. */
  async comeIn(name: string): Promise<this> {
    const { password } = signInOf(name);
    const isPlain = new URL(this.address).hostname === PLAIN_HOST;
    const { status, id } = await (isPlain ? this.askFromPage : this.ask).call(this, { name, password });
    expect(status).toBe(200);
    this.headers = { Origin: this.address, 'LQ-Person': id };
    this.isNew = true;
    return this;
  }

  private async ask(data: Asked): Promise<Let> {
    const answer = await this.page.request.post(`${this.address}/api/session`, {
      data,
      headers: { Origin: this.address },
    });
    return { status: answer.status(), id: (await answer.json()).me?.id };
  }

  /** From within the page: only the browser knows the name that is no secure context. */
  private async askFromPage(data: Asked): Promise<Let> {
    await this.page.goto(`${this.address}/mark.svg`);
    return this.page.evaluate(async (body) => {
      const headers = { 'Content-Type': 'application/json' };
      const answer = await fetch('/api/session', { method: 'POST', headers, body: JSON.stringify(body) });
      return { status: answer.status, id: (await answer.json()).me?.id };
    }, data);
  }

  /** As whoever is signed in now, after somebody came in by the screen. */
  async asWhoIsHere(): Promise<Readonly<Record<string, string>>> {
    const { me } = await (await this.page.request.get(`${this.address}/api/session`)).json();
    return { Origin: this.address, 'LQ-Person': me.id };
  }

  /** Pictures that wait on this device, as they lie there. */
  async keptPictures(): Promise<readonly Buffer[]> {
    const pictures = await this.page.evaluate(
      () =>
        new Promise<number[][]>((resolve, reject) => {
          const opening = indexedDB.open('low-quarry-device');
          opening.onerror = () => reject(opening.error);
          opening.onsuccess = () => {
            const range = IDBKeyRange.bound('picture.', 'picture.\uffff');
            const reading = opening.result.transaction('kept').objectStore('kept').getAll(range);
            reading.onerror = () => reject(reading.error);
            reading.onsuccess = () => {
              resolve(reading.result.map(({ jpeg }) => [...new Uint8Array(jpeg)]));
              opening.result.close();
            };
          };
        }),
    );
    return pictures.map((picture) => Buffer.from(picture));
  }

  async openJobs(): Promise<this> {
    return this.openPage('/', 'Jobs');
  }

  async openPage(address: string, title: string | RegExp): Promise<this> {
    await this.go(address);
    await expect(this.page.getByRole('heading', { name: title, level: 1 })).toBeVisible();
    return this;
  }

  /** Opens a car by its name in the list, such as "Corran Tern, HDS 3"; one of the demo shop, or that was opened before, by its address. */
  async openJob(name: string): Promise<this> {
    const known = this.jobs.get(name) ?? demoJobAddress(name);
    if (known) await this.go(known);
    else {
      await this.openJobs();
      await this.page.getByRole('link', { name, exact: true }).click();
    }
    await expect(this.page.getByRole('heading', { name, level: 1 })).toBeVisible();
    this.jobs.set(name, new URL(this.page.url()).pathname);
    return this;
  }

  /** From one page to another as a link of it leads there; the page is loaded where none is open, the same one is, or for somebody else. */
  private async go(address: string): Promise<void> {
    const isNew = this.isNew;
    this.isNew = false;
    const hasGone =
      !isNew &&
      (await this.page.evaluate(
        ({ shop, to }) => {
          if (location.origin !== shop || !document.querySelector('h1') || location.pathname === to) return false;
          history.pushState(null, '', to);
          dispatchEvent(new PopStateEvent('popstate', { state: null }));
          return true;
        },
        { shop: this.address, to: address },
      ));
    if (!hasGone) await this.page.goto(`${this.address}${address}`);
  }

  async measure(job: string, opening: string): Promise<this> {
    await this.openJob(job);
    await this.page.getByRole('link', { name: `Measure ${opening}` }).click();
    await expect(this.page.getByRole('button', { name: 'Save measurements' })).toBeVisible();
    return this;
  }

  async whatFits(job: string, opening: string): Promise<this> {
    await this.openJob(job);
    await this.page.getByRole('link', { name: `What fits ${opening}` }).click();
    await expect(this.ranked()).not.toHaveCount(0);
    return this;
  }

  /** Until every screen opens without the network: the device's worker has the page, or, without one, all code is in it. */
  async programKept(): Promise<this> {
    await this.page.waitForFunction(
      () =>
        navigator.serviceWorker?.controller ??
        (!window.isSecureContext && performance.getEntriesByName('all code asked for').length > 0),
    );
    return this;
  }

  field(label: string): Locator {
    return this.page.locator('[data-dimension]').filter({ hasText: label }).getByRole('textbox');
  }

  /** The field of a dimension with everything written at it. */
  entry(label: string): Locator {
    return this.page.locator('[data-dimension]').filter({ hasText: label });
  }

  async type(label: string, text: string): Promise<this> {
    await this.field(label).fill(text);
    return this;
  }

  /** One of many: types what narrows the list down, and picks what has these words. */
  async pickOf(label: string, words: string): Promise<this> {
    const field = this.page.getByRole('combobox', { name: label });
    await field.click();
    await field.fill(words);
    await this.page.getByRole('option').filter({ hasText: words }).first().click();
    return this;
  }

  async save(): Promise<this> {
    await this.page.getByRole('button', { name: 'Save measurements' }).click();
    return this;
  }

  async saved(): Promise<this> {
    await expect(this.page.getByText('Saved in the shop.')).toBeVisible();
    return this;
  }

  ranked(): Locator {
    return this.page.getByRole('list', { name: 'Ranked speakers' }).getByRole('button');
  }

  /** The list when it holds so many speakers; only those in sight have rows. */
  rankedCount(count: number): Locator {
    return this.page.locator(`[aria-label="Ranked speakers"][data-count="${count}"]`);
  }

  async pick(speaker: string): Promise<this> {
    const row = this.ranked().filter({ has: this.page.getByText(speaker, { exact: true }) });
    const scroller = this.page.getByRole('list', { name: 'Ranked speakers' }).locator('..');
    // Only the rows in sight are there: look further down until this one is.
    for (let page = 0; page < 60 && (await row.count()) === 0; page++) {
      await scroller.evaluate((box, to) => {
        box.scrollTo(0, to);
        // The rows come with the next frame, and stand in the one after.
        return new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
      }, page * 300);
    }
    await row.click();
    await expect(row).toHaveAttribute('aria-pressed', 'true');
    return this;
  }

  verdict(): Locator {
    return this.page.locator('[data-verdict]');
  }

  /** One check of the ledger, by the name it bears. */
  check(name: string): Locator {
    return this.page
      .getByRole('region', { name: 'Checks' })
      .getByRole('listitem')
      .filter({ has: this.page.getByText(name, { exact: true }) });
  }

  slider(): Locator {
    return this.page.getByRole('slider', { name: 'Height of the spacer' });
  }

  async choose(): Promise<this> {
    await this.page
      .getByRole('region', { name: 'Choose' })
      .getByRole('button', { name: /^Choose for/ })
      .click();
    return this;
  }

  async orderList(job: string): Promise<this> {
    await this.openJob(job);
    await this.page.getByRole('link', { name: 'Order list' }).click();
    await expect(this.page.getByRole('heading', { name: /^Order list/, level: 1 })).toBeVisible();
    return this;
  }
}
