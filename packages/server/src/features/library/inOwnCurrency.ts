/** Offers in the shop's own currency name none: only so are they compared and counted. Whoever names it means the same. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { EntityManager } from 'typeorm';
import { SettingsStore } from '../settings/SettingsStore';

export async function inOwnCurrency<Part extends PartRecord>(
  manager: EntityManager,
  parts: readonly Part[],
): Promise<readonly Part[]> {
  if (!parts.some(({ offers }) => offers.some(({ currency }) => currency !== null))) return parts;
  const { currency: own } = await new SettingsStore(manager).get();
  return parts.map((part) => ({
    ...part,
    offers: part.offers.map((offer) => (offer.currency === own ? { ...offer, currency: null } : offer)),
  }));
}
