import { describe, expect, test } from '@jest/globals';
import { claimFinding, claimsSchema, isAbout } from './claims';

describe('what the geometry says to a claim', () => {
  test.each([
    ['fits', 'clears', 'agrees'],
    ['fits', 'hits', 'against'],
    ['fits', 'measure', 'open'],
    ['fits', 'hold', 'open'],
    ['fitsNot', 'clears', 'against'],
    ['fitsNot', 'hits', 'agrees'],
    ['fitsNot', 'measure', 'open'],
    ['fitsWithWork', 'clears', 'agrees'],
    ['fitsWithWork', 'hits', 'open'],
    ['fitsWithWork', 'hold', 'open'],
  ] as const)('%s, and it %s: %s', (says, verdict, finding) => expect(claimFinding(says, verdict)).toBe(finding));
});

test('a claim is about one place of one variant, or about all of its places', () => {
  const at = { vehicleId: 'corran-tern', place: 'frontDoorLow' };
  expect(isAbout({ vehicleId: 'corran-tern', place: 'frontDoorLow' }, at)).toBe(true);
  expect(isAbout({ vehicleId: 'corran-tern', place: null }, at)).toBe(true);
  expect(isAbout({ vehicleId: 'corran-tern', place: 'rearDoor' }, at)).toBe(false);
  expect(isAbout({ vehicleId: 'another', place: null }, at)).toBe(false);
});

test('a claim of nobody, or of no vehicle, is none', () => {
  const claim = { vehicleId: 'v', place: null, says: 'fits', by: 'A list', notedBy: 'Okke', on: '2031-05-02' };
  expect(claimsSchema.parse([claim])).toEqual([claim]);
  expect(claimsSchema.parse(undefined)).toEqual([]);
  for (const wrong of [{ by: ' ' }, { vehicleId: '' }, { says: 'perhaps' }, { on: 'May' }])
    expect(claimsSchema.safeParse([{ ...claim, ...wrong }]).success).toBe(false);
});
