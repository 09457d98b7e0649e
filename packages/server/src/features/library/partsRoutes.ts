import { Readable } from 'node:stream';
import { listCatalogueChanges, listConnectors, PARTS_A_PAGE } from '@low-quarry/core/contracts/catalogue';
import { FOUND_A_PAGE, findParts, PARTS_PACK_PATH } from '@low-quarry/core/contracts/findParts';
import { importParts } from '@low-quarry/core/contracts/importParts';
import { partSets } from '@low-quarry/core/contracts/library';
import { partPoints } from '@low-quarry/core/contracts/partPoints';
import { mayDo } from '@low-quarry/core/model';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { guard } from '../../http/guard';
import { heavyLimit } from '../../http/heavyLimit';
import { route, write } from '../../http/route';
import { sendStream } from '../../http/sendStream';
import type { OpenHistory } from '../history/History';
import { PartsImport } from './PartsImport';
import { PartsStore } from './PartsStore';
import { pointsOf } from './pointsOf';
import { keptOf } from './readRecords';
import { writePartsPack } from './writePartsPack';

/** @param heavy a device that knows nothing yet asks for everything: apart from what people do */
export function partsRoutes(
  router: Router,
  db: DataSource,
  heavy: DataSource,
  newId: () => string,
  openHistory: OpenHistory,
): void {
  const store = new PartsStore(db.manager);
  route(router, listCatalogueChanges, ({ params: { epoch, revision = 0, id = '' } }) => {
    const after = epoch === undefined ? null : { epoch, revision, id };
    return new PartsStore((after ? db : heavy).manager).listChanges(after, PARTS_A_PAGE);
  });
  route(router, findParts, ({ params }) => store.search({ ...params, pageSize: FOUND_A_PAGE }));
  router.use(PARTS_PACK_PATH, heavyLimit());
  router.get(PARTS_PACK_PATH, guard('parts'), async (_request, response) => {
    response.type('application/json').attachment('parts.json');
    await sendStream(response, Readable.from(writePartsPack(heavy)));
  });
  write(router, heavy, importParts, ({ body: { name, pack, tryOut }, manager, actor }) =>
    new PartsImport(manager, openHistory(manager, actor)).bringIn(name, pack, newId(), {
      tryOut,
      mayReplace: mayDo('library', actor.roles),
    }),
  );
  route(router, partPoints, async ({ params: { x, y, ...asked } }) => {
    const found = await new PartsStore(heavy.manager).listFound({ ...asked, kind: 'speaker' });
    return pointsOf(keptOf(found), x, y);
  });
  route(router, partSets, async ({ params: { partId } }) => ({ sets: await store.setsWith(partId) }));
  route(router, listConnectors, async () => ({ connectors: [...(await store.listAllConnectors())] }));
}
