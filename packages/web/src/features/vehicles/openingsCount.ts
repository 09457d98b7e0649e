import type { FoundVehicle } from '@low-quarry/core/contracts/findVehicles';
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import type { NewVehicleTyped } from './typedVehicle';

/** How many openings a new vehicle begins with; null where that is not known yet. */
export function openingsCount(
  { from }: NewVehicleTyped,
  templates: readonly ListedTemplate[],
  source: Pick<FoundVehicle, 'openings'> | null,
): number | null {
  if (from.kind === 'variant') return source?.openings ?? null;
  const found = templates.find(({ id }) => id === from.templateId);
  return found ? found.template.openings.reduce((sum, { sides }) => sum + sides.length, 0) : null;
}
