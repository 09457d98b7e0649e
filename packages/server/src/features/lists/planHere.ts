import { planList } from './planList';
import type { PlanList } from './SupplierListImport';

/** In this thread: everything else waits meanwhile. For a server that serves nobody else, as in tests. */
export const planHere: PlanList = async (task, say, signal) => {
  signal.throwIfAborted();
  return planList(task, say);
};
