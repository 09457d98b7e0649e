import { getPart, partOrigins, putPart } from '@low-quarry/core/contracts/library';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { LibraryService } from './LibraryService';

export function libraryRoutes(router: Router, db: DataSource, openHistory: OpenHistory): void {
  const service = (manager: EntityManager, actor: Actor) => new LibraryService(manager, openHistory(manager, actor));
  route(router, getPart, ({ params, actor }) => service(db.manager, actor).getPart(params.partId));
  route(router, partOrigins, async ({ params, actor }) => ({
    values: [...(await service(db.manager, actor).originsOf(params.partId))],
  }));
  write(router, db, putPart, ({ params, body, manager, actor }) =>
    service(manager, actor).changePart(params.partId, body.version, body.record),
  );
}
