/** Who is signed in at this device, for every screen below the gate. */
import type { Me } from '@low-quarry/core/contracts/sessions';
import { mayDo, type Permission } from '@low-quarry/core/model';
import { createContext, useContext } from 'react';

export const MeContext = createContext<Me | null>(null);

export function useMe(): Me {
  const me = useContext(MeContext);
  if (!me) throw new Error('useMe: expected to be behind the gate, where somebody is signed in');
  return me;
}

/** Whether the person may do something: the server decides by the same table, this only keeps buttons honest. */
export function useMay(permission: Permission): boolean {
  return mayDo(permission, useMe().roles);
}
