/** What a check is called. */
import type { CheckId } from './Check';
import type { FitOpening } from './shapes';

/** The name of a check; what stands behind the opening names the depth. */
export function checkLabel(id: CheckId, behind: FitOpening['behind']): string {
  switch (id) {
    case 'figures':
      return 'Figures';
    case 'hole':
      return 'Hole';
    case 'bolts':
      return 'Bolts';
    case 'screws':
      return 'Screws';
    case 'depth':
      return behind === 'glass' ? 'Glass' : 'Depth behind';
    case 'front':
      return 'Front';
    case 'cover':
      return 'Cover';
    case 'liesFlat':
      return 'Lies flat';
    case 'obstacles':
      return 'Beam, rail, wiring';
    case 'terminals':
      return 'Terminals';
    case 'wireWay':
      return 'Wire way';
    case 'connector':
      return 'Connector';
    case 'chime':
      return 'Chime';
    case 'airbag':
      return 'Airbag';
  }
}
