import { expect, test } from '@jest/globals';
import { instructionSchema, instructionWords, newPanel, panelSchema } from './panel';

const SHEET = { key: 'a', title: 'Workshop sheet 4', where: 'page 4', rated: null };

test.each([
  ['page 4', true],
  ['', true],
  ['https://trim.example/door', true],
  ['http://127.0.0.1:4780/sheet', true],
  ['Door: see page 4', true],
  ['javascript:alert(1)', false],
  ['DATA:text/html,x', false],
  ['file:///etc/passwd', false],
  ['https://trim.example/two words', false],
])('an instruction at “%s”: %s', (where, isGood) => {
  const read = instructionSchema.safeParse({ ...SHEET, where });
  expect(read.success).toBe(isGood);
  if (!isGood)
    expect(read.error?.issues[0]).toMatchObject({
      path: ['where'],
      message: 'Type an address with http or https, or a page.',
    });
});

test('says who worked by it, or that nobody did', () => {
  expect(instructionWords(SHEET)).toBe('Workshop sheet 4 (page 4): nobody here has worked by it');
  expect(instructionWords({ ...SHEET, where: '', rated: { as: 'wrong', by: 'Rieke' } })).toBe(
    'Workshop sheet 4: it is wrong here (Rieke)',
  );
});

test('a panel from before there were any has none, and nothing of it marked', () => {
  const { instructions, ...before } = newPanel({ kind: 'doorCard', spot: 'frontLeft', name: '' });
  const fastener = { key: 'cup', kind: 'screw', where: 'cup', cover: null, head: null, driver: '' };
  const read = panelSchema.parse({ ...before, fasteners: [{ ...fastener, lengthMm: null, base: null, count: 1 }] });
  expect([instructions, read.instructions, read.fasteners?.[0]?.marked]).toEqual([[], [], []]);
});
