/** What writes files of pieces: it is large, and most screens cut nothing. */
import { lateCode, NotLoadedError } from '../../ui/late';

export const cutFiles = lateCode(() => import('@low-quarry/core/cutFiles'));

/** Why a file is not there, for whoever asked for it. */
export function cutFault(error: unknown): string {
  return error instanceof NotLoadedError
    ? 'What writes this file is not on this device yet: try it again once the server answers.'
    : `This file could not be written: ${error instanceof Error ? error.message : String(error)}`;
}
