/** The lists that the demo ships: each is read as a person would read it, and its dirt is named. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from '@jest/globals';
import type { ListImported } from '@low-quarry/core/contracts/supplierLists';
import { DEMO_DIR } from '../../testing/testDatabase';
import { planList } from './planList';

const DIR = path.join(DEMO_DIR, 'lists');
const plans = new Map<string, ListImported>();
const plan = (name: string): ListImported => {
  const known = plans.get(name);
  if (known) return known;
  const asked = {
    name,
    supplier: 'Test Trade',
    of: null,
    columns: null,
    units: null,
    day: '2026-11-28',
    withDoubts: false,
    withDoubted: false,
    tryOut: true,
  };
  const planned = planList(
    {
      file: readFileSync(path.join(DIR, name)),
      asked,
      currency: 'EUR',
      remembered: null,
      kept: [],
      connectors: [],
      vehicles: [],
      by: 'Okke',
    },
    () => {},
  );
  if (!planned.ok) throw new Error(planned.failure);
  plans.set(name, planned.value.answer);
  return planned.value.answer;
};
/** Rows that are named as wrong or doubtful. */
const namedRows = (name: string) => {
  const { findings } = plan(name);
  return new Set(findings.filter(({ grade }) => grade !== 'note').map(({ line }) => line)).size;
};

test('there are three', () => {
  expect(readdirSync(DIR).sort()).toEqual(['hillfoot-march.csv', 'marrow-list.tsv', 'northmole-spring.csv']);
});

describe.each([
  ['hillfoot-march.csv', 'Windows-1252, cells parted by “;”', 260, 8, 16],
  ['marrow-list.tsv', 'UTF-8, cells parted by a tab', 1200, 5, 20],
  ['northmole-spring.csv', 'UTF-8, cells parted by “,”', 180, 4, 14],
])('%s', (name, readAs, rows, least, most) => {
  test('is read as it was written: nearly all of it comes in', () => {
    const answer = plan(name);
    expect(answer).toMatchObject({ readAs, unknown: 0 });
    expect(answer.newParts).toBeGreaterThan(0.93 * rows);
    expect(answer.newParts).toBeLessThan(rows);
  });

  test('has its dirt named, and little else', () => {
    expect(namedRows(name)).toBeGreaterThanOrEqual(least);
    expect(namedRows(name)).toBeLessThanOrEqual(most);
  });
});

test('what stands twice is taken once', () => {
  const twice = plan('hillfoot-march.csv').findings.filter(({ message }) =>
    message.startsWith('The same stands in row'),
  );
  expect(twice).toHaveLength(3);
});

test('of the maker who counts from the top of the flange it is said that he may', () => {
  expect(plan('marrow-list.tsv').datums.map(({ maker }) => maker)).toContain('Gannock');
});
