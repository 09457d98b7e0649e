import { mayDo, type Role } from '@low-quarry/core/model/access';
import { RECORDS, type RecordKind } from '@low-quarry/core/records/kinds/index';

export function maySee(kind: RecordKind, roles: readonly Role[]): boolean {
  return mayDo(RECORDS[kind].seenBy, roles);
}
