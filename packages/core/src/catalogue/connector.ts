/** A vehicle's connector, as harness adapters name it. */
import { z } from 'zod';

export const connectorSchema = z.strictObject({
  id: z.string().min(1).max(80),
  name: z.string().min(1).max(120),
  ways: z.int().min(1).max(60),
});
export type ConnectorRecord = z.infer<typeof connectorSchema>;
