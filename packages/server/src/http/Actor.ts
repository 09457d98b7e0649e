/** Who asks: the person who is signed in, and the device at which they stand. */
import type { Role } from '@low-quarry/core/model';

export type Actor = {
  readonly personId: string;
  readonly name: string;
  readonly roles: readonly Role[];
  readonly sessionId: string;
  readonly deviceId: string;
  readonly deviceName: string;
  /** The password was typed in this session, and not long ago. */
  readonly gavePassword: boolean;
};
