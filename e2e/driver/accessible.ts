/** Whether everybody can use what is on the screen, as axe-core finds it. */
import type { Page } from '@playwright/test';
import axe from 'axe-core';
import { expect } from './expect';

/** Contrast, names, roles, order: what axe-core calls serious or critical is none of it there. @param rules only these; all when there are none */
export async function expectAccessible(page: Page, where: string, rules: readonly string[] = []): Promise<void> {
  // Read into each page once, not before each scan of it.
  if (await page.evaluate(() => !('axe' in window))) await page.evaluate(axe.source);
  const violations = await page.evaluate(async (values) => {
    const { axe: here } = window as unknown as { axe: typeof axe };
    const only = values.length > 0 ? { runOnly: { type: 'rule' as const, values: [...values] } } : {};
    // Of what is in order nobody wants to know each place: naming them took 1.1 of 2.4 s on the largest screen.
    const found = await here.run({ ...only, resultTypes: ['violations'] });
    return found.violations.map(({ id, impact, nodes }) => ({
      id,
      impact,
      at: nodes.map(({ target }) => target.join(' ')),
    }));
  }, rules);
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, at }) => `${where}: ${id} ${at.join(', ')}`)).toEqual([]);
}
