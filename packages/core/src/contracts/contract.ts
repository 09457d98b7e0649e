/**
 * A contract is a value: method, path, and what goes in and comes out as schemas. The server's route and the
 * browser's query read the same one, so neither can drift from the other.
 */
import { z } from 'zod';
import type { Permission } from '../model';

export type Contract<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType> = {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** With `:name` for each parameter; parameters that are not in it come as the query. */
  readonly path: string;
  /** Who may: a route without this cannot be written down. */
  readonly permission: Permission;
  readonly params: Params;
  readonly body: Body;
  readonly answer: Answer;
};

/**
 * Headers in which a page names whose screen it is: the person's id, and their roles in the order of `ROLES` with commas
 * between. What is asked in the name of somebody else than who is signed in is refused.
 */
export const PERSON_HEADER = 'LQ-Person';
export const ROLES_HEADER = 'LQ-Roles';

/** Header in which every answer names the program that is served; a page of another one has to be loaded anew. */
export const PROGRAM_HEADER = 'LQ-Program';

export const nothing = z.undefined();
export const idSchema = z.uuid();

export function contract<Params extends z.ZodType, Body extends z.ZodType, Answer extends z.ZodType>(
  value: Contract<Params, Body, Answer>,
): Contract<Params, Body, Answer> {
  return value;
}

/** RFC 9457, with the fields that are wrong. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string(),
  /** One entry a wrong field: its path in the request, such as `record.dimensions.depthBehind`. */
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  /** With 409: what is stored now. */
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;
