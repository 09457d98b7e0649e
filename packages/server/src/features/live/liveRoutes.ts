import { LIVE_PATH } from '@low-quarry/core/contracts/live';
import type { Router } from 'express';
import type { Actor } from '../../http/Actor';
import { AppError } from '../../http/AppError';
import { EventStream } from '../../http/EventStream';
import { actorOf, guard } from '../../http/guard';
import type { SessionsService } from '../sessions/SessionsService';
import type { ChangeFeed } from './ChangeFeed';

/** A line now and then keeps proxies from closing a quiet stream; a session that ran out meanwhile is told no more. */
const QUIET_MS = 25_000;

/** @param feed null where nothing is told (a list of routes needs no database) */
export function liveRoutes(
  router: Router,
  feed: ChangeFeed | null,
  sessions: SessionsService,
  quietMs = QUIET_MS,
): void {
  router.get(LIVE_PATH, guard('read'), async (request, response) => {
    const { sessionId, personId, roles } = actorOf(response) as Actor;
    if (!feed) throw new AppError(503, 'not-live', 'Not live', 'Changes are not told here.');
    if (request.method === 'HEAD') {
      response.type('text/event-stream').end();
      return;
    }
    const cleanUp: (() => void)[] = [];
    const stream = new EventStream(request, response, () => {
      for (const each of cleanUp) each();
    });
    const isOpen = () => sessions.isOpenSession(sessionId).catch(() => false);
    const quiet = setInterval(async () => {
      if (await isOpen()) stream.beat();
      else stream.end();
    }, quietMs).unref();
    const stop = feed.listen({
      sessionId,
      personId,
      roles,
      tell: (change) => stream.send({ id: change.id, data: change }),
      end: () => stream.end(),
    });
    cleanUp.push(() => clearInterval(quiet), stop);
    // It may have ended between the guard and here.
    if (stream.isOver || !(await isOpen())) {
      stream.end();
      for (const each of cleanUp) each();
    }
  });
}
