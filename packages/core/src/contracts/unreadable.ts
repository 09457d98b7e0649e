import { z } from 'zod';

/** A record that is kept and cannot be read, and why; its history can bring it back. */
export const unreadableSchema = z.object({ id: z.string(), why: z.string() });
export type Unreadable = z.infer<typeof unreadableSchema>;
