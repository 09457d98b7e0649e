/** A car of the demo shop as it is before anybody looked at its channels. */
import { expect } from './expect';
import type { Fitter } from './Fitter';

/** @param person who is at the screen afterwards; what is in the library already is the owner's to take out */
export async function channelsNotNoted(fitter: Fitter, vehicleId: string, person: string): Promise<void> {
  await fitter.comeIn('Okke');
  const { request } = fitter.page;
  const address = `${fitter.address}/api/vehicles/${vehicleId}`;
  const { version, record } = await (await request.get(address)).json();
  const data = { version, record: { ...record, channels: null } };
  expect((await request.put(address, { headers: fitter.headers, data })).status()).toBe(200);
  await fitter.comeIn(person);
}
