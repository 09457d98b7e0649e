/** Whether everybody can use what is on the screen, as axe-core finds it. */
import { expect, type Page } from '@playwright/test';
import axe from 'axe-core';

/**
 * Contrast, names, roles, order: what axe-core calls serious or critical is none of it there.
 *
 * @param asked `rules`: only these, all when there are none; `without` these
 */
export async function expectAccessible(
  page: Page,
  where: string,
  { rules = [], without = [] }: { readonly rules?: readonly string[]; readonly without?: readonly string[] } = {},
): Promise<void> {
  // Read into each page once: what it costs is as much as a small scan.
  if (await page.evaluate(() => !('axe' in window))) await page.evaluate(axe.source);
  const violations = await page.evaluate(
    async ([values, off]) => {
      const { axe: here } = window as unknown as { axe: typeof axe };
      const only = values.length > 0 ? { runOnly: { type: 'rule' as const, values: [...values] } } : {};
      const rulesOff = Object.fromEntries(off.map((rule) => [rule, { enabled: false }]));
      // Of what is in order nobody wants to know each place: naming them is half of the work.
      const found = await here.run({ ...only, rules: rulesOff, resultTypes: ['violations'] });
      return found.violations.map(({ id, impact, nodes }) => ({
        id,
        impact,
        at: nodes.map(({ target }) => target.join(' ')),
      }));
    },
    [rules, without] as const,
  );
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(serious.map(({ id, at }) => `${where}: ${id} ${at.join(', ')}`)).toEqual([]);
}
