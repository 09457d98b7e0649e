import { addLot, LOTS_A_PAGE, listShelf, putAside, putLot, removeLot } from '@low-quarry/core/contracts/shelf';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { ShelfService } from './ShelfService';
import { ShelfStore } from './ShelfStore';

export function shelfRoutes(router: Router, db: DataSource, newId: () => string, openHistory: OpenHistory): void {
  const service = (manager: EntityManager, actor: Actor) => new ShelfService(manager, openHistory(manager, actor));
  route(router, listShelf, ({ params }) => new ShelfStore(db.manager).list({ ...params, pageSize: LOTS_A_PAGE }));
  write(router, db, addLot, ({ body, manager, actor }) => service(manager, actor).add(newId(), body));
  write(router, db, putLot, ({ params, body: { version, ...state }, manager, actor }) =>
    service(manager, actor).change(params.lotId, version, state),
  );
  write(router, db, putAside, ({ params, body: { version, jobId, pieces }, manager, actor }) =>
    service(manager, actor).putAside(params.lotId, version, jobId, pieces, newId()),
  );
  write(router, db, removeLot, async ({ params, body, manager, actor }) => {
    await service(manager, actor).remove(params.lotId, body.version);
    return { lotId: params.lotId };
  });
}
