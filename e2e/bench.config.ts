/** The benchmark of a large shop: what is measured is measured alone. `npm run bench` sets what it needs. */
import { defineConfig } from '@playwright/test';
import config from './playwright.config';

export default defineConfig({
  ...config,
  testDir: 'bench',
  testMatch: /\.bench\.ts$/,
  timeout: 1_800_000,
  workers: 1,
  projects: [{ name: 'bench' }],
  reporter: [['list']],
});
