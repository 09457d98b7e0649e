/** Under `vehicles` what is kept on the device: those that were here last, and each that was looked at. */
export const vehicleKeys = {
  recent: ['vehicles', 'recent'],
  one: (id: string) => ['vehicles', 'one', id],
  found: (find: string, page: number) => ['foundVehicles', find, page],
} as const;
