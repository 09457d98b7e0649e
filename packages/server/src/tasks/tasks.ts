/** What takes long: each is a function of what it is given, and runs in a thread of its own; the database one of them alone needs. */
import { disagreementsOf } from '../features/fit/disagreementsOf';
import { placesOf } from '../features/fit/placesOf';
import { servingOf } from '../features/fit/servingOf';
import type { ListInTask } from '../features/lists/bringInList';
import { doubtLibrary } from '../features/lists/doubtLibrary';
import { writePartsTable } from '../features/lists/writePartsTable';
import { nestPieces } from '../features/orders/nestPieces';
import type { Say } from './Say';

/** With what it needs of the database: read when it is asked for, as the other tasks need none of it. */
async function bringInList(task: ListInTask, say: Say) {
  const own = await import('../features/lists/bringInList');
  return own.bringInList(task, say);
}

export const TASKS = {
  bringInList,
  doubtLibrary,
  disagreementsOf,
  nestPieces,
  placesOf,
  servingOf,
  writePartsTable,
} as const;
export type TaskName = keyof typeof TASKS;
export type Given<Name extends TaskName> = Parameters<(typeof TASKS)[Name]>[0];
type Cames = { readonly [Name in TaskName]: Awaited<ReturnType<(typeof TASKS)[Name]>> };
export type Came<Name extends TaskName> = Cames[Name];
/** A task with what it is given, as a thread gets it. */
export type Task = { readonly [Name in TaskName]: { readonly name: Name; readonly given: Given<Name> } }[TaskName];

/** Runs a task, here or apart. @throws the signal's reason where it was told to stop */
export type RunTask = <Name extends TaskName>(
  name: Name,
  given: Given<Name>,
  say: Say,
  signal: AbortSignal,
) => Promise<Came<Name>>;

export async function run<Name extends TaskName>(name: Name, given: Given<Name>, say: Say): Promise<Came<Name>> {
  const task = TASKS[name] as (given: Given<Name>, say: Say) => Came<Name> | Promise<Came<Name>>;
  return task(given, say);
}
