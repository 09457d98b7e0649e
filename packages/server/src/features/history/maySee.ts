import { mayDo, type Role } from '@low-quarry/core/model';
import { RECORDS, type RecordKind } from '@low-quarry/core/records';

export function maySee(kind: RecordKind, roles: readonly Role[]): boolean {
  return mayDo(RECORDS[kind].seenBy, roles);
}
