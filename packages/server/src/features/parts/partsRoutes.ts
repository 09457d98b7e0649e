import {
  FOUND_A_PAGE,
  findParts,
  listCatalogueChanges,
  listConnectors,
  PARTS_A_PAGE,
} from '@low-quarry/core/contracts/catalogue';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route } from '../../http/route';
import { PartsStore } from './PartsStore';

/** @param heavy a device that knows nothing yet asks for everything: apart from what people do */
export function partsRoutes(router: Router, db: DataSource, heavy: DataSource): void {
  const store = new PartsStore(db.manager);
  route(router, listCatalogueChanges, ({ params: { epoch, revision = 0, id = '' } }) => {
    const after = epoch === undefined ? null : { epoch, revision, id };
    return new PartsStore((after ? db : heavy).manager).listChanges(after, PARTS_A_PAGE);
  });
  route(router, findParts, ({ params }) => store.search(params.find, params.page, FOUND_A_PAGE));
  route(router, listConnectors, async () => ({ connectors: [...(await store.listAllConnectors())] }));
}
