/** What a list says of the cars that parts fit: claims of the supplier's, beside what the geometry finds. */
import { type Claim, MOST_CLAIMS, type PartRecord } from '../catalogue';
import { FitsReader, type FitsVehicle } from './readFits';
import type { Finding, ListRow } from './readList';

export type ClaimsPlan = {
  /** All claims of each part that has another one than before, by its id. */
  readonly changes: ReadonlyMap<string, readonly Claim[]>;
  readonly added: number;
  /** Cars that it names and the library does not have. */
  readonly elsewhere: number;
  readonly findings: readonly Finding[];
};

type Given = {
  readonly supplier: string;
  readonly vehicles: readonly FitsVehicle[];
  /** Who brings the list in. */
  readonly notedBy: string;
  /** The day the list is of, as ISO 8601. */
  readonly day: string;
  /** Of the list, the first is 0. */
  readonly column: number;
};

/** @param said each row with the part that it is of */
export function planClaims(
  said: readonly { readonly row: ListRow; readonly part: Pick<PartRecord, 'id' | 'claims'> }[],
  { supplier, vehicles, notedBy, day, column }: Given,
): ClaimsPlan {
  const reader = new FitsReader(vehicles);
  const by = `${supplier}’s list`.slice(0, 80);
  const changes = new Map<string, readonly Claim[]>();
  const findings: Finding[] = [];
  let [added, elsewhere] = [0, 0];
  const note = (line: number, message: string) => findings.push({ grade: 'note', line, column, message });
  for (const { row, part } of said) {
    const claims = [...(changes.get(part.id) ?? part.claims)];
    const before = claims.length;
    for (const fit of row.fits.flatMap((cell) => reader.read(cell))) {
      if (fit.kind === 'elsewhere') elsewhere++;
      else if (fit.kind === 'unread')
        note(
          row.line,
          `“${fit.words}” was read: what stands behind the car is not understood, and nothing of it is noted.`,
        );
      else for (const vehicleId of fit.vehicleIds) claim(vehicleId, fit.place);
    }
    if (claims.length === before) continue;
    const most = claims.slice(0, MOST_CLAIMS);
    if (claims.length > most.length)
      note(row.line, `A part has at most ${MOST_CLAIMS} claims: the others are left out.`);
    added += most.length - before;
    changes.set(part.id, most);

    function claim(vehicleId: string, place: Claim['place']): void {
      const isThere = claims.some(
        (each) => each.vehicleId === vehicleId && each.place === place && each.says === 'fits' && each.by === by,
      );
      if (!isThere) claims.push({ vehicleId, place, says: 'fits', by, notedBy, on: day });
    }
  }
  return { changes, added, elsewhere, findings };
}
