import { createPerson, listPeople, putPerson, resetPassword } from '@low-quarry/core/contracts/people';
import type { Router } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import type { Actor } from '../../http/Actor';
import { route, write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { PeopleService } from './PeopleService';

export function peopleRoutes(router: Router, db: DataSource, newId: () => string, openHistory: OpenHistory): void {
  const service = (manager: EntityManager, actor: Actor) => new PeopleService(manager, openHistory(manager, actor));
  route(router, listPeople, async ({ actor }) => ({ people: await service(db.manager, actor).list() }));
  write(router, db, createPerson, ({ body, manager, actor }) => service(manager, actor).create(body, newId()));
  write(router, db, putPerson, ({ params, body, manager, actor }) =>
    service(manager, actor).change(params.personId, body),
  );
  write(router, db, resetPassword, async ({ params, body, manager, actor }) => ({
    ended: await service(manager, actor).resetPassword(params.personId, body.newPassword),
  }));
}
