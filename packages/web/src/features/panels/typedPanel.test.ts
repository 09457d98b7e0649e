import { describe, expect, test } from '@jest/globals';
import { newPanel, type Panel } from '@low-quarry/core/model';
import { type PanelTyped, readPanelSchema, toPanelTyped } from './typedPanel';

const WHERE = { kind: 'doorCard', spot: 'frontLeft', name: '' } as const;
const CARD: Panel = {
  ...newPanel(WHERE),
  comesOff: 'swings',
  fasteners: [
    {
      key: 'cup',
      kind: 'screw',
      where: 'in the handle’s cup',
      cover: 'plug',
      head: 'sixLobe',
      driver: 'T20',
      lengthMm: 15.88,
      base: 'metal',
      count: 2,
      marked: [
        { x: 20, y: 85 },
        { x: 40, y: 90 },
      ],
    },
    {
      key: 'clips',
      kind: 'treeClip',
      where: 'all round',
      cover: null,
      head: null,
      driver: '',
      lengthMm: null,
      base: null,
      count: null,
      marked: [],
    },
  ],
  looksLike: '',
  attached: [],
  order: [{ first: 'cup', next: 'clips' }],
  instructions: [
    { key: 'a', title: 'Sheet 4', where: 'page 4', rated: { as: 'worked', by: 'Rieke' } },
    { key: 'b', title: 'Sheet 5', where: '', rated: null },
  ],
};
const schema = readPanelSchema(WHERE);
const typed = (more: Partial<PanelTyped> = {}): PanelTyped => ({ ...toPanelTyped(CARD), ...more });
const told = (value: PanelTyped) => ({ ...WHERE, ...schema.parse(value) });

test('what was written down comes back as it was: not looked, looked and nothing, and what there is', () => {
  for (const panel of [CARD, newPanel(WHERE)]) expect(told(toPanelTyped(panel))).toEqual(panel);
});

test('a length in inches is read, and a list with something in it was looked at', () => {
  const [cup, clips] = typed().fasteners as [PanelTyped['fasteners'][number], PanelTyped['fasteners'][number]];
  const read = told(
    typed({
      fasteners: [
        { ...cup, lengthMm: '5/8 in' },
        { ...clips, count: ' 8 ' },
      ],
      isFastenersLooked: false,
    }),
  );
  expect(read.fasteners?.map(({ lengthMm, count }) => [lengthMm, count])).toEqual([
    [15.88, 2],
    [null, 8],
  ]);
});

describe('a slip is said at its field', () => {
  const [cup, clips] = typed().fasteners as [PanelTyped['fasteners'][number], PanelTyped['fasteners'][number]];
  test.each<[string, Partial<PanelTyped>, string, RegExp]>([
    ['a length', { fasteners: [{ ...cup, lengthMm: 'long' }] }, 'fasteners.0.lengthMm', /“long” was read/],
    ['a count', { fasteners: [{ ...cup, count: 'a few' }] }, 'fasteners.0.count', /“a few” was read/],
    ['none of them', { fasteners: [{ ...cup, count: '0' }] }, 'fasteners.0.count', /1 or more/],
    ['no place', { fasteners: [{ ...cup, where: ' ' }] }, 'fasteners.0.where', /in the handle’s cup/],
    [
      'a circle',
      { fasteners: [cup, clips], order: [...CARD.order, { first: 'clips', next: 'cup' }] },
      'order',
      /in the handle’s cup, before all round|all round, before in the handle’s cup/,
    ],
  ])('%s', (_name, more, path, words) => {
    const { error } = schema.safeParse(typed(more));
    const [issue] = error?.issues ?? [];
    expect(issue?.path.join('.')).toBe(path);
    expect(issue?.message).toMatch(words);
  });
});
