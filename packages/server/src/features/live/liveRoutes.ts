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
/** A browser has six connections to a server; several of them at one device may share a session. */
const MOST_A_SESSION = 24;

/** @param feed null where nothing is told (a list of routes needs no database) */
export function liveRoutes(
  router: Router,
  feed: ChangeFeed | null,
  sessions: SessionsService,
  quietMs = QUIET_MS,
): void {
  /** By session, the oldest first. */
  const streams = new Map<string, Set<EventStream>>();
  const look = async () => {
    const open = await sessions.listOpen([...streams.keys()]).catch(() => null);
    // A database that is away is no reason to send anybody away.
    if (open === null) return;
    for (const [sessionId, its] of streams) {
      for (const stream of its) {
        if (open.has(sessionId)) stream.beat();
        else stream.end();
      }
    }
  };
  setInterval(() => void look(), quietMs).unref();

  router.get(LIVE_PATH, guard('read'), async (request, response) => {
    const { sessionId, personId, roles } = actorOf(response) as Actor;
    if (!feed) throw new AppError(503, 'not-live', 'Not live', 'Changes are not told here.');
    if (request.method === 'HEAD') {
      response.type('text/event-stream').end();
      return;
    }
    const its = streams.get(sessionId) ?? new Set();
    const cleanUp: (() => void)[] = [];
    const stream = new EventStream(request, response, () => {
      for (const each of cleanUp) each();
    });
    const stop = feed.listen({
      sessionId,
      personId,
      roles,
      tell: (change) => stream.send({ id: change.id, data: change }),
      end: () => stream.end(),
    });
    cleanUp.push(stop, () => {
      its.delete(stream);
      if (its.size === 0 && streams.get(sessionId) === its) streams.delete(sessionId);
    });
    streams.set(sessionId, its.add(stream));
    if (its.size > MOST_A_SESSION) [...its][0]?.drop();
    // It, or its session, may have ended between the guard and here.
    const isOver = stream.isOver || !(await sessions.listOpen([sessionId])).has(sessionId);
    if (!isOver) return;
    stream.end();
    for (const each of cleanUp) each();
  });
}
