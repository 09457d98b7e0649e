/**
 * The content security policy forbids making functions from text, which the schema library would try. Imported first by
 * the entry and by each worker, before any schema is made.
 */
import { z } from 'zod';

z.config({ jitless: true });
