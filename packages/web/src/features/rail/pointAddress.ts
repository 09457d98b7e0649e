import type { SettledAt } from '@low-quarry/core/stations';
import { addressOf } from '../../stations/addressOf';

/** Where an open point of a job is settled. */
export function pointAddress(at: SettledAt, jobId: string, vehicleId: string): string {
  switch (at.kind) {
    case 'bookIn':
      return `${addressOf('bookIn', { jobId })}#${at.field}`;
    case 'facts':
      return `${addressOf('bookIn', { jobId })}#fact-${at.key}`;
    case 'baseline':
    case 'build':
    case 'handOver':
      return addressOf(at.kind, { jobId });
    case 'wires':
      return `${addressOf('wire', { jobId })}#amplifier`;
    case 'vehicle':
      return `/vehicles/${encodeURIComponent(vehicleId)}`;
    case 'measure':
    case 'match':
      return addressOf(at.kind, { jobId, openingId: at.openingId });
  }
}
