import type { QueryClient } from '@tanstack/react-query';
import { recentVehiclesQuery } from './foundVehicles';
import { templatesQuery } from './vehicleQueries';

/** Asks for what a car is booked in by, so that the device has it when the network is gone. */
export async function keepForBooking(queries: QueryClient): Promise<void> {
  await Promise.all([queries.prefetchQuery(recentVehiclesQuery), queries.prefetchQuery(templatesQuery)]);
}
