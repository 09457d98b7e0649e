/** The places for a speaker in this vehicle, each with what is known of it. */
import {
  isTakenHere,
  type OpeningRecord,
  placeLabel,
  type VehicleRecord,
  wantedDimensions,
} from '@low-quarry/core/model';
import { Link } from 'react-router';
import { useMay } from '../../api/me';
import { presenceWords } from '../../text/words';
import { Empty } from '../../ui/states';
import { AddVehicleOpening } from './AddVehicleOpening';
import { vehicleOpeningAddress } from './vehicleOpeningAddress';

export function VehicleOpenings({ version, record }: { readonly version: number; readonly record: VehicleRecord }) {
  const mayChange = useMay('vehicles');
  const { openings } = record;
  return (
    <section aria-label="Openings" className="flex flex-col gap-2">
      <h2>
        Openings, {openings.length}{' '}
        <span className="font-normal text-muted">every one that exists, worked on or not</span>
      </h2>
      {openings.length === 0 ? (
        <Empty>No opening is noted yet. Jobs begin with none, and add what they find.</Empty>
      ) : (
        <ul className="border-t border-ink">
          {openings.map((opening) => (
            <li key={placeLabel(opening)} className="border-b border-hairline">
              <Link
                to={vehicleOpeningAddress(record.id, opening)}
                className="flex min-h-12 flex-col justify-center py-1 hover:bg-paper"
              >
                <span className="font-semibold text-action">{placeLabel(opening)}</span>
                <span className="text-[13px] leading-4 text-muted">{knownWords(opening)}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {mayChange && (
        <span>
          <AddVehicleOpening version={version} record={record} />
        </span>
      )}
    </section>
  );
}

/** "A speaker is fitted, 6.5 in. 2 of 5 dimensions have a figure, 1 of them measured." */
function knownWords(opening: OpeningRecord): string {
  const found = `${presenceWords(opening)}, ${opening.nominalSize || 'size not known'}.`;
  if (opening.presence === 'blank' || opening.presence === 'notThere') return found;
  const wanted = wantedDimensions(opening);
  const known = wanted.filter((key) => opening.dimensions[key]);
  const measured = known.filter((key) => isTakenHere(opening.dimensions[key])).length;
  const assumed = opening.assumed.length > 0 ? ' Some of it only taken as usual.' : '';
  return `${found} ${known.length} of ${wanted.length} dimensions have a figure, ${measured === 0 ? 'none' : measured} of them measured.${assumed}`;
}
