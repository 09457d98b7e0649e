/** Ids of brackets in the states they have once tabs are snapped off. */

/** Between a bracket's id and that of its snap-off state. */
export const STATE_MARK = '#';

/** The id under which a bracket is ordered, whatever its state. */
export function orderedId(id: string): string {
  return id.split(STATE_MARK)[0] ?? id;
}
