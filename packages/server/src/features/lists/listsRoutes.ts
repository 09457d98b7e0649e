import { importOffers } from '@low-quarry/core/contracts/offerLists';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { OfferListImport } from './OfferListImport';

/** @param heavy a list goes through all parts: apart from what people do */
export function listsRoutes(router: Router, heavy: DataSource, newId: () => string, openHistory: OpenHistory): void {
  write(router, heavy, importOffers, ({ body, manager, actor }) =>
    new OfferListImport(manager, openHistory(manager, actor)).bringIn(body, newId()),
  );
}
