import { createPerson, listPeople, putPerson, resetPassword } from '@low-quarry/core/contracts/people';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { route, write } from '../../http/route';
import { PeopleService } from './PeopleService';

export function peopleRoutes(router: Router, db: DataSource, newId: () => string): void {
  route(router, listPeople, async () => ({ people: await new PeopleService(db.manager).list() }));
  write(router, db, createPerson, ({ body, manager }) => new PeopleService(manager).create(body, newId()));
  write(router, db, putPerson, ({ params, body, manager }) => new PeopleService(manager).change(params.personId, body));
  write(router, db, resetPassword, async ({ params, body, manager }) => ({
    ended: await new PeopleService(manager).resetPassword(params.personId, body.newPassword),
  }));
}
