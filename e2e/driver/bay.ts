/** The bay, one step at a time, as a foot on a switch goes through it. */
import { setTimeout as sleep } from 'node:timers/promises';
import type { Page } from '@playwright/test';
import { expect } from './expect';
import type { Fitter } from './Fitter';

/** A step takes no press at first, lest one press ticks two, ms. */
const RESTS_MS = 400;

/** Presses once, when the step that is shown takes it. */
export async function pressStep(page: Page, key = 'PageDown'): Promise<void> {
  await sleep(RESTS_MS);
  await page.keyboard.press(key);
}

/** From the list of steps to the last of them, and back to the list. @returns what each step said, in their order */
export async function walkPlan({ page }: Fitter): Promise<readonly string[]> {
  await page.getByRole('link', { name: /one step at a time$/ }).click();
  const said: string[] = [];
  const progress = page.getByText(/^\d+ of \d+ steps/);
  await expect(progress).toBeVisible();
  const [, of = ''] = /of (\d+)/.exec((await progress.textContent()) ?? '') ?? [];
  while (said.length < Number(of)) {
    said.push((await page.getByRole('heading', { level: 1 }).textContent()) ?? '');
    await pressStep(page);
    await expect(progress).toContainText(`${said.length} of ${of}`);
  }
  await page.getByRole('link', { name: 'All steps' }).click();
  return said;
}
