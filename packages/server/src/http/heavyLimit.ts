/**
 * Holds back whoever asks for what takes the server long, more often than a person would. Counted by person, behind the guard:
 * what strangers ask for uses nobody's share up.
 */
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { AppError } from './AppError';
import { actorOf } from './guard';

const WINDOW_MS = 60_000;
const MOST = 60;

export function heavyLimit(most = MOST): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    skip: (_request, response) => actorOf(response) === null,
    keyGenerator: (_request, response) => actorOf(response)?.personId ?? '',
    handler: () => {
      throw new AppError(429, 'too-many', 'Too many', 'That was asked for too often. Wait a minute and try again.');
    },
  });
}
