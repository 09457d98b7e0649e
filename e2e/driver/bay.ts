/** The bay, one step at a time, as a foot on a switch goes through it. */

import { expect } from './expect';
import type { Fitter } from './Fitter';

/** From the list of steps to the last of them, and back to the list. @returns what each step said, in their order */
export async function walkPlan({ page }: Fitter): Promise<readonly string[]> {
  await page.getByRole('link', { name: /one step at a time$/ }).click();
  const said: string[] = [];
  const progress = page.getByText(/^\d+ of \d+ steps/);
  for (;;) {
    const [done, all] = (((await progress.textContent()) ?? '').match(/\d+/g) ?? []).map(Number) as [number, number];
    if (done === all) break;
    said.push((await page.getByRole('heading', { level: 1 }).textContent()) ?? '');
    await expect(async () => {
      await page.keyboard.press('PageDown');
      await expect(progress).toContainText(`${done + 1} of`, { timeout: 200 });
    }).toPass();
  }
  await page.getByRole('link', { name: 'All steps' }).click();
  return said;
}
