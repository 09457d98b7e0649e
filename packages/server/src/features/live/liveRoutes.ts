import { LIVE_PATH } from '@low-quarry/core/contracts/live';
import type { Router } from 'express';
import type { Actor } from '../../http/Actor';
import { AppError } from '../../http/AppError';
import { actorOf, guard } from '../../http/guard';
import type { SessionsService } from '../sessions/SessionsService';
import type { ChangeFeed } from './ChangeFeed';

/** A line now and then keeps proxies from closing a quiet stream; whoever was signed out meanwhile is told no more. */
const QUIET_MS = 25_000;

/** @param feed null where nothing is told (a list of routes needs no database) */
export function liveRoutes(
  router: Router,
  feed: ChangeFeed | null,
  sessions: SessionsService,
  quietMs = QUIET_MS,
): void {
  router.get(LIVE_PATH, guard('read'), (request, response) => {
    const { sessionId } = actorOf(response) as Actor;
    if (!feed) throw new AppError(503, 'not-live', 'Not live', 'Changes are not told here.');
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      Connection: 'keep-alive',
    });
    response.write(': open\n\n');
    const quiet = setInterval(async () => {
      const isOpen = await sessions.isOpenSession(sessionId).catch(() => false);
      if (isOpen) response.write(': still here\n\n');
      else response.end();
    }, quietMs);
    const stop = feed.listen({
      tell: (change) => response.write(`id: ${change.id}\ndata: ${JSON.stringify(change)}\n\n`),
      end: () => response.end(),
    });
    request.on('close', () => {
      clearInterval(quiet);
      stop();
    });
  });
}
