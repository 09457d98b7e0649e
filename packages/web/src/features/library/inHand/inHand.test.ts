/** Readings in hand as they are typed and said. */
import { describe, expect, test } from '@jest/globals';
import { type InHand, type SpeakerRecord, speakerSchema } from '@low-quarry/core/catalogue';
import { SETTINGS_DEFAULTS } from '@low-quarry/core/model';
import speakers from '../../../../../../demo/speakers.json' with { type: 'json' };
import { biasLine, inHandLines, terminalsLine } from './inHandWords';
import { type InHandTyped, readInHandSchema, toInHandTyped } from './typedInHand';

const HALF_WIDTHS = SETTINGS_DEFAULTS.halfWidthsMm;
const SHOAL: SpeakerRecord = speakerSchema.parse(speakers[0]);
const kept = (figure: InHand['figure'], pieces: number[][]): InHand => ({
  ...{ figure, pieces, halfWidthMm: 0.2, by: 'Jory', on: '2031-05-01' },
});
const hand = (inHand: readonly InHand[]) =>
  readInHandSchema({
    inHand,
    terminalsInHand: null,
    by: 'Okke',
    on: '2031-05-02',
    halfWidthsMm: SETTINGS_DEFAULTS.halfWidthsMm,
  });
const typed = (inHand: readonly InHand[], changes: Partial<InHandTyped['figures']> = {}): InHandTyped => {
  const begun = toInHandTyped({ inHand: [...inHand], terminalsInHand: null });
  return { ...begun, figures: { ...begun.figures, ...changes } };
};

describe('as they are typed', () => {
  test('what nobody touches is as it was, in its order, with who read it and when', () => {
    const inHand = [kept('magnet', [[89.2]]), kept('depth', [[66.8, 67], [67.2]])];
    expect(hand(inHand).parse(typed(inHand))).toEqual({ inHand, terminalsInHand: null });
  });

  test('what is typed is of whoever types it, today, with the instrument’s doubt; what is emptied is gone', () => {
    const inHand = [kept('magnet', [[89.2]]), kept('depth', [[66.8]])];
    const next = { ...typed(inHand, { depth: '66,8 67', magnet: '', flange: '163.8' }), with: 'tapeMm' as const };
    const read = (figure: InHand['figure'], pieces: number[][]) => ({
      ...{ figure, pieces, halfWidthMm: SETTINGS_DEFAULTS.halfWidthsMm.tapeMm, by: 'Okke', on: '2031-05-02' },
    });
    expect(hand(inHand).parse(next)).toEqual({
      inHand: [read('depth', [[66.8, 67]]), read('flange', [[163.8]])],
      terminalsInHand: null,
    });
  });

  describe('the places of the terminals', () => {
    const WORDS = 'plug at 270°: 45 to 62 off the axis, 24 wide, 18 to 26 deep, live';
    const PLUG = {
      label: 'plug',
      live: true,
      angleDeg: 270,
      innerMm: 45,
      outerMm: 62,
      widthMm: 24,
      fromMm: 18,
      toMm: 26,
    };
    const before = { boxes: [PLUG], halfWidthMm: 0.2, by: 'Jory', on: '2031-05-01' };
    const read = (terminals: string, terminalsInHand: typeof before | null) =>
      readInHandSchema({
        inHand: [],
        terminalsInHand,
        by: 'Okke',
        on: '2031-05-02',
        halfWidthsMm: HALF_WIDTHS,
      }).safeParse({
        ...typed([]),
        terminals,
      });

    test('are of whoever measured them; what nobody touches stays his, what is emptied is gone', () => {
      expect(toInHandTyped({ inHand: [], terminalsInHand: before }).terminals).toBe(WORDS);
      expect(read(WORDS, before).data?.terminalsInHand).toBe(before);
      expect(read(WORDS.replace('62', '64'), before).data?.terminalsInHand).toEqual({
        ...{ boxes: [{ ...PLUG, outerMm: 64 }], halfWidthMm: HALF_WIDTHS.calliper, by: 'Okke', on: '2031-05-02' },
      });
      expect(read('', before).data?.terminalsInHand).toBeNull();
    });

    test('that make no place are refused at their field', () => {
      expect(read('below', null).error?.issues).toMatchObject([
        { path: ['terminals'], message: expect.stringMatching(/^“below” was read\. Where it is and how large/) },
      ]);
    });

    test('are said beside what the catalogue has', () => {
      const measured = { ...SHOAL, boxes: [], terminalsInHand: before };
      expect(terminalsLine(measured)).toMatchObject({
        counted: expect.stringMatching(/ 18 to 26 deep, live; each face ± \d\.\d mm$/),
        ...{ against: 'the catalogue says nothing of them', by: 'Jory' },
      });
      const listed = { ...measured, boxes: [{ ...PLUG, outerMm: 60 }] };
      expect(terminalsLine(listed)?.against).toMatch(/^the catalogue has plug at 270°: 45 to 60 /);
      expect(terminalsLine({ ...measured, terminalsInHand: null })).toBeNull();
    });
  });

  test('a slip stands at its figure', () => {
    const found = hand([]).safeParse(typed([], { depth: 'deep', magnet: '90' }));
    expect(found.error?.issues).toMatchObject([
      { path: ['figures', 'depth'], message: expect.stringMatching(/“deep” was read\. Readings in mm/) },
    ]);
  });
});

describe('as they are said', () => {
  test('each with what is counted, what the catalogue says, and what was read', () => {
    const measured = { ...SHOAL, inHand: [kept('depth', [[67], [67.4]])] };
    expect(inHandLines(measured)).toMatchObject([
      {
        label: 'Mounting depth',
        counted: expect.stringMatching(/^67\.2 ± \d+\.\d mm$/),
        against: '+1.2 mm against 66 mm in the catalogue',
        read: '67; 67.4 mm, 2 pieces',
        by: 'Jory',
      },
    ]);
    const unsaid = { ...measured, mountingDepthMm: null };
    expect(inHandLines(unsaid)[0]?.against).toBe('the catalogue says nothing of it');
  });

  test('of a maker: by how many parts, which way, and whether it counts here', () => {
    const bias = { figure: 'depth' as const, biasMm: -1.14, uncertaintyMm: 0.2, parts: 4 };
    expect(biasLine(bias, SHOAL)).toMatch(
      /^Mounting depth: 4 parts of Wrackline measured −1\.1 mm against the catalogue, ± \d\.\d mm from part to part; counted with here\.$/,
    );
    expect(biasLine(bias, { ...SHOAL, inHand: [kept('depth', [[67]])] })).toMatch(/this one was measured itself\.$/);
  });
});
