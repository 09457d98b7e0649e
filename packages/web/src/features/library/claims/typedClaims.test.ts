import { expect, test } from '@jest/globals';
import type { Claim } from '@low-quarry/core/catalogue';
import { NEW_CLAIM, readClaimsSchema, toClaimsTyped } from './typedClaims';

const KEPT: Claim = {
  ...{ vehicleId: 'corran-tern', place: 'frontDoorLow', says: 'fits', by: 'A list' },
  ...{ notedBy: 'Jory', on: '2031-05-01' },
};
const schema = readClaimsSchema({ kept: [KEPT], notedBy: 'Okke', on: '2031-05-02' });

test('what nobody touched keeps who wrote it down; what is changed or new is of whoever types it', () => {
  const { claims } = toClaimsTyped([KEPT]);
  expect(schema.parse({ claims })).toEqual({ claims: [KEPT] });
  const [first] = claims as [(typeof claims)[number]];
  const added = { ...NEW_CLAIM, vehicleId: 'tollan-creel', by: ' Northmole ' };
  expect(schema.parse({ claims: [{ ...first, says: 'fitsNot' }, added] })).toEqual({
    claims: [
      { ...KEPT, says: 'fitsNot', notedBy: 'Okke', on: '2031-05-02' },
      { ...added, by: 'Northmole', place: null, notedBy: 'Okke', on: '2031-05-02' },
    ],
  });
});

test('a claim of no vehicle, or of nobody, is refused at its field', () => {
  const { error } = schema.safeParse({ claims: [NEW_CLAIM] });
  expect(error?.issues).toMatchObject([
    { path: ['claims', 0, 'vehicleId'], message: 'Pick a vehicle.' },
    { path: ['claims', 0, 'by'], message: 'Type who says it.' },
  ]);
});
