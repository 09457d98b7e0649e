/** Sends what is read bit by bit: at the reader's pace, and without keeping the source open for somebody who has left. */
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';

/** @throws what the source failed with; that the reader left is no failure */
export async function sendStream(response: Response, source: Readable): Promise<void> {
  try {
    await pipeline(source, response);
  } catch (error) {
    if (response.destroyed && isOfTheReader(error)) return;
    throw error;
  }
}

function isOfTheReader(error: unknown): boolean {
  return (
    error instanceof Error && 'code' in error && /^(ERR_STREAM_PREMATURE_CLOSE|ECONNRESET|EPIPE)$/.test(`${error.code}`)
  );
}
