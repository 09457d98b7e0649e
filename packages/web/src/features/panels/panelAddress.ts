/** Where a panel of a vehicle is looked at. */
import { type Panel, panelLabel } from '@low-quarry/core/model';

/** @param panels those that the vehicle's record has: of another one the form begins with what kind it is, and where */
export function panelFormAddress(
  vehicleId: string,
  panel: Pick<Panel, 'kind' | 'spot' | 'name'>,
  panels: readonly Panel[],
): string {
  const isKnown = panels.some((each) => panelLabel(each) === panelLabel(panel));
  return `${panelAddress(vehicleId, panel)}${isKnown ? '' : `?kind=${panel.kind}&spot=${panel.spot}`}`;
}

export function panelAddress(vehicleId: string, panel: Pick<Panel, 'kind' | 'spot' | 'name'>): string {
  return `/vehicles/${encodeURIComponent(vehicleId)}/panels/${encodeURIComponent(panelLabel(panel))}`;
}
