/** Records of a file that an earlier program wrote, in today's form; what cannot be brought to it stays for the schema to refuse. */
import { RECORDS, upgradeRecord } from '../records';

export function asToday(kind: 'part' | 'vehicle'): (record: unknown) => unknown {
  return (record) => {
    const read = upgradeRecord(record, RECORDS[kind].upgrades);
    return read.ok ? read.value : record;
  };
}
