/** Where a panel of a vehicle is looked at. */
import { type Panel, panelLabel } from '@low-quarry/core/model';

export function panelAddress(vehicleId: string, panel: Pick<Panel, 'kind' | 'spot' | 'name'>): string {
  return `/vehicles/${encodeURIComponent(vehicleId)}/panels/${encodeURIComponent(panelLabel(panel))}`;
}
