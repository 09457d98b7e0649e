/** Holds back whoever asks for what takes the server long, more often than a person would. */
import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { AppError } from './AppError';

const WINDOW_MS = 60_000;
const MOST = 60;

export function heavyLimit(most = MOST): RequestHandler {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: most,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw new AppError(429, 'too-many', 'Too many', 'That was asked for too often. Wait a minute and try again.');
    },
  });
}
