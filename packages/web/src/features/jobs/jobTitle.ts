import type { Job } from '@low-quarry/core/contracts/jobs';
import { vehicleName } from '@low-quarry/core/model/vehicle';

/** What a job is called: the car, and what tells it from others of its kind. */
export function jobTitle({ vehicle, registration, number }: Job): string {
  return `${vehicleName(vehicle)}, ${registration || `job ${number}`}`;
}
