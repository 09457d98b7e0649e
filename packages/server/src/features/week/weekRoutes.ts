import {
  endFeed,
  FEED_KINDS,
  FEED_PATH,
  getFeed,
  getWeek,
  getWeekCalendar,
  makeFeed,
} from '@low-quarry/core/contracts/week';
import type { Router } from 'express';
import type { EntityManager } from 'typeorm';
import { notFound } from '../../http/AppError';
import { guard } from '../../http/guard';
import { fileRoute, route } from '../../http/route';
import { JobsStore } from '../jobs/JobsStore';
import type { OrdersService } from '../orders/OrdersService';
import { PeopleStore } from '../people/PeopleStore';
import { hashToken, newToken } from '../people/secrets';
import { SettingsStore } from '../settings/SettingsStore';
import { WeekService } from './WeekService';
import { CALENDAR_TYPE, weekCalendar } from './weekCalendar';

export function weekRoutes(router: Router, manager: EntityManager, orders: OrdersService, now: () => Date): void {
  const people = new PeopleStore(manager);
  const service = new WeekService(new JobsStore(manager), orders, people, new SettingsStore(manager), now);
  route(router, getWeek, ({ params }) => service.get(params.day));
  fileRoute(router, getWeekCalendar, async ({ params: { day } }) => {
    const { jobs, shop } = await service.booked();
    const { days } = service.weekOf(day);
    const text = weekCalendar(jobs, shop, now(), { days });
    return { name: `bay-${days[0]}.ics`, type: CALENDAR_TYPE, bytes: Buffer.from(text) };
  });
  route(router, getFeed, ({ actor }) => feedOf(people, actor.personId));
  // Not one that is answered again: its answer would be kept, and nobody but its person has it.
  route(router, makeFeed, async ({ actor }) => {
    const token = newToken();
    await people.setFeed(actor.personId, hashToken(token));
    const [own, all] = FEED_KINDS.map((which) => FEED_PATH.replace(':token', token).replace(':which', which));
    return { paths: { own: own as string, all: all as string } };
  });
  route(router, endFeed, async ({ actor }) => {
    await people.setFeed(actor.personId, null);
    return feedOf(people, actor.personId);
  });
  router.get(FEED_PATH, guard('anybody'), async (request, response) => {
    const which = FEED_KINDS.find((each) => each === request.params.which);
    const person = which && (await people.findByFeed(hashToken(String(request.params.token)), now()));
    if (!person) throw notFound('calendar');
    const { jobs, shop } = await service.booked();
    const text = weekCalendar(jobs, shop, now(), { of: which === 'own' ? person.name : null });
    response.setHeader('Cache-Control', 'no-store');
    response.type(CALENDAR_TYPE).send(text);
  });
}

async function feedOf(people: PeopleStore, personId: string): Promise<{ exists: boolean; readAt: string | null }> {
  const row = await people.findRow(personId);
  return { exists: row?.feed_hash != null, readAt: row?.feed_read_at?.toISOString() ?? null };
}
