import { expect, test } from '@jest/globals';
import { type PartRecord, partSchema, type SpeakerRecord } from '../catalogue';
import { largeParts } from '../testing/largeCatalogue';
import { type ValueStep, valueOrigins } from './valueOrigins';

const [made] = largeParts({ speakers: 1, brackets: 0, seed: 3 });
const part = partSchema.parse({ ...made, mountingDepthMm: 63, rmsW: 60, massG: null, inHand: [] }) as SpeakerRecord;
const step = (change: Partial<ValueStep>): ValueStep => ({
  ...{ at: '2031-05-02T09:00:00.000Z', by: 'Okke', grade: 'typed', from: '', before: part, after: part },
  ...change,
});
const of = (record: PartRecord, steps: readonly ValueStep[], path: string) =>
  valueOrigins(record, steps).find((each) => each.path === path);

test('of what no change is known, nobody knows from whom it is', () => {
  expect(of(part, [], 'mountingDepthMm')).toEqual({
    ...{ path: 'mountingDepthMm', label: 'Mounting depth, mm', words: '63', grade: 'unknown', from: '' },
    ...{ by: null, at: null, isDoubted: false, measured: null },
  });
});

test('the last change that made it what it is, and no other, says who and when', () => {
  const steps = [
    step({ by: 'Jory', before: { ...part, rmsW: 50 } }),
    step({ by: 'Tove', before: { ...part, mountingDepthMm: 60, rmsW: 40 }, after: { ...part, rmsW: 50 } }),
    step({ by: 'Night', grade: 'list', from: 'Northmole, May', before: null, after: { ...part, mountingDepthMm: 60 } }),
  ];
  expect(of(part, steps, 'rmsW')).toMatchObject({ by: 'Jory', grade: 'typed' });
  expect(of(part, steps, 'mountingDepthMm')).toMatchObject({ by: 'Tove' });
  expect(of(part, steps, 'maker')).toMatchObject({ by: 'Night', grade: 'list', from: 'Northmole, May' });
});

test('a value that was taken back to what it was comes from whoever took it back', () => {
  const steps = [
    step({ by: 'Jory', before: { ...part, rmsW: 50 } }),
    step({ by: 'Tove', after: { ...part, rmsW: 50 } }),
  ];
  expect(of(part, steps, 'rmsW')).toMatchObject({ by: 'Jory' });
});

test('what nobody wrote down comes from nobody; a doubt and a reading in hand stand beside the value that they are about', () => {
  expect(of(part, [step({ before: null })], 'massG')).toBeUndefined();
  const doubt = {
    figure: 'depth',
    value: 63,
    words: 'Too deep for its size.',
    proposes: 36,
    chance: 0.9,
    settled: null,
  };
  const doubted = { ...part, doubts: [doubt] } as SpeakerRecord;
  expect(of(doubted, [], 'mountingDepthMm')).toMatchObject({ isDoubted: true, measured: null });
  expect(of(doubted, [], 'frontHeightMm')).toMatchObject({ isDoubted: false });
  const inHand = [{ figure: 'cutout' as const, pieces: [[141]], halfWidthMm: 0.2, by: 'Tove', on: '2031-05-03' }];
  expect(of({ ...part, inHand }, [], 'basket')).toMatchObject({ measured: { by: 'Tove', on: '2031-05-03' } });
});

test('a state that is no record, or of another form, is one that had nothing of it', () => {
  for (const before of [undefined, 'broken', { depth: 3 }])
    expect(of(part, [step({ by: 'Jory', before })], 'rmsW')).toMatchObject({ by: 'Jory' });
});
