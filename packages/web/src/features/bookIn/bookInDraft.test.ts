import { beforeEach, expect, test } from '@jest/globals';
import { newJobSchema } from '@low-quarry/core/contracts/jobs';
import { draftPrefix, openDrafts, readDraftText, writeDraftText } from '../../device/drafts';
import { createTestDevice, createTestTabs, installLocalStorage } from '../../device/testing';
import { BOOK_IN_DRAFT, forgetBookedIn } from './bookInDraft';

const KEY = `${draftPrefix('okke')}${BOOK_IN_DRAFT}`;
const TYPED = {
  vehicleId: 'veh-1',
  newVehicle: null,
  customer: ' Lighthouse ',
  registration: 'LH 1',
  wants: '',
  dueOn: null,
};
const BOOKED = newJobSchema.parse(TYPED);

const device = createTestDevice();
beforeEach(async () => {
  installLocalStorage();
  await openDrafts(device, 'okke', createTestTabs());
});

test('the car that the shop has is in the sheet no more, as it was typed or as it was read', async () => {
  writeDraftText(device, KEY, JSON.stringify(TYPED));
  await forgetBookedIn(device, 'okke', BOOKED);
  expect(readDraftText(KEY)).toBeNull();
  expect(device.values.has(KEY)).toBe(false);
});

test.each([
  ['another car', JSON.stringify({ ...TYPED, customer: 'Harbour master' })],
  ['half a car', JSON.stringify({ ...TYPED, vehicleId: '' })],
  ['what no page of today can read', '{'],
])('%s, typed meanwhile, stays', async (_, text) => {
  writeDraftText(device, KEY, text);
  await forgetBookedIn(device, 'okke', BOOKED);
  expect(readDraftText(KEY)).toBe(text);
});

test('nothing is kept: nothing is to be forgotten', async () => {
  writeDraftText(device, KEY, null);
  await forgetBookedIn(device, 'okke', BOOKED);
  expect(readDraftText(KEY)).toBeNull();
});
