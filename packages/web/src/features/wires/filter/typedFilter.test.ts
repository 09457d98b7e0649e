/** A filter as it is typed, and what stands at a field that cannot be read. */
import { describe, expect, test } from '@jest/globals';
import { askedOf, type FilterTyped, partsOf, proposed, readFilterSchema, toFilterTyped } from './typedFilter';

const USUAL = { hz: 5000, order: 1 } as const;
const EMPTY: FilterTyped = { ...toFilterTyped(null, USUAL), highHz: '' };
const slipsOf = (typed: Partial<FilterTyped>) => {
  const read = readFilterSchema.safeParse({ ...EMPTY, ...typed });
  return read.success ? [] : read.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
};

describe('parts', () => {
  test('are read in the units that they are sold in, whatever they are written in', () => {
    const read = readFilterSchema.parse({
      ...EMPTY,
      ...{
        highCapacitor: '4700 nF',
        highCoil: '330 µH',
        lowCoil: '1,2',
        padSeries: '2.7 ohm',
        padParallel: '3.3Ω',
        where: ' tied ',
      },
    });
    expect(read).toEqual({
      highPass: { capacitorUf: 4.7, coilMh: 0.33 },
      lowPass: { coilMh: 1.2, capacitorUf: null },
      pad: { seriesOhm: 2.7, parallelOhm: 3.3 },
      where: 'tied',
    });
    expect(partsOf({ ...EMPTY, ...toFilterTyped(read, USUAL) })).toMatchObject({
      highPass: read.highPass,
      pad: read.pad,
    });
  });

  test.each([
    [{ highCoil: '0.3 F', highCapacitor: '4.7' }, 'highCoil: “0.3 F” was read. A coil is in mH, such as 0.33.'],
    [{ highCapacitor: '0 µF' }, 'highCapacitor: “0 µF” was read. A capacitor is in µF, such as 4.7.'],
    [{ highCapacitor: '4.7 mH' }, 'highCapacitor: “4.7 mH” was read. A capacitor is in µF, such as 4.7.'],
    [{ padSeries: '-2' }, 'padSeries: “-2” was read. A resistor is in Ω, such as 2.7.'],
    [{ highCapacitor: '4700' }, 'highCapacitor: Type at most 2,000 µF: a capacitor is in µF.'],
    [{ highCoil: '0.3' }, 'highCapacitor: A coil across needs a capacitor in the line.'],
    [{ padParallel: '3.3' }, 'padSeries: A resistor across needs one in the line.'],
    [{ lowCapacitor: '10' }, 'lowCoil: A capacitor across needs a coil in the line.'],
    [{}, 'highCapacitor: Nothing is in it: leave it out.'],
  ])('%j is refused at its field', (typed, slip) => {
    expect(slipsOf(typed)).toEqual([slip]);
    expect(slip.includes('at most 2,000') || partsOf({ ...EMPTY, ...typed }) === null).toBe(true);
  });
});

describe('what it is to do', () => {
  test('is proposed in parts that are sold, and begins with what is usual', () => {
    const { asked } = askedOf({ ...toFilterTyped(null, USUAL), padDb: '6' });
    expect(asked).toEqual({ highPass: { hz: 5000, order: 1 }, lowPass: null, padDb: 6 });
    expect(asked && proposed(asked, 4)).toMatchObject({
      highCapacitor: '8.2',
      highCoil: '',
      padSeries: '2',
      padParallel: '3.9',
    });
    expect(askedOf({ ...EMPTY, highHz: '5 kHz', highOrder: '2' }).asked?.highPass).toEqual({ hz: 5000, order: 2 });
  });

  test.each([
    [{ highHz: '5 V' }, 'highHz: “5 V” was read. Type Hz from 20 to 20,000.'],
    [{ highHz: '5' }, 'highHz: “5” was read. Type Hz from 20 to 20,000.'],
    [{ padDb: '40' }, 'padDb: “40” was read. Type dB from 0 to 24.'],
    [{ highHz: '300', lowHz: '200' }, 'lowHz: Nothing would pass: it ends below where it begins.'],
    [{}, 'highHz: Type where it begins or ends to pass, or by how much it is to be quieter.'],
  ])('%j is refused at its field', (typed, slip) => {
    const { asked, slips } = askedOf({ ...EMPTY, ...typed });
    expect(asked).toBeNull();
    expect(slips.map(({ path, message }) => `${path}: ${message}`)).toEqual([slip]);
  });
});
