/** Who may read of which changes: those to people are for whoever looks after people. */
import { mayDo, type Role } from '@low-quarry/core/model/access';
import type { RecordKind } from '@low-quarry/core/records/recordKinds';

export function maySee(kind: RecordKind, roles: readonly Role[]): boolean {
  return kind !== 'person' || mayDo('people', roles);
}
