/** Who says that this part fits where, without having measured it? */
import { CLAIM_WORDS, type PartRecord } from '@low-quarry/core/catalogue';
import { PLACE_LABELS, vehicleLabel } from '@low-quarry/core/model';
import { Link } from 'react-router';
import { shopDay } from '../../../text/shopDays';
import { late } from '../../../ui/late';
import { Loading } from '../../../ui/states';
import { useVehicle } from '../../vehicles/vehicleQueries';

const ClaimsForm = late(
  () => import('./ClaimsForm').then((code) => code.ClaimsForm),
  () => <Loading what="what others say" />,
);

type ClaimsProps = { readonly version: number; readonly record: PartRecord; readonly mayCorrect: boolean };

export function Claims({ version, record, mayCorrect }: ClaimsProps) {
  const { claims } = record;
  return (
    <section aria-label="What others say" className="flex flex-col gap-3">
      <h2>What others say of where it fits</h2>
      <p className="max-w-2xl text-muted">
        A claim stands beside the verdict and never in its place.{' '}
        <Link to="/disagreements" className="text-action underline underline-offset-2">
          Where claim, catalogue and tape disagree
        </Link>
      </p>
      {claims.length === 0 && <p>Nobody claims anything that was written down.</p>}
      {!mayCorrect && claims.length > 0 && (
        <ul className="border-t border-ink">
          {claims.map((claim) => (
            <li key={`${claim.vehicleId} ${claim.place} ${claim.by}`} className="border-b border-hairline py-1.5">
              <Claimed {...claim} />
            </li>
          ))}
        </ul>
      )}
      {mayCorrect && <ClaimsForm version={version} record={record} />}
    </section>
  );
}

function Claimed({ vehicleId, place, says, by, notedBy, on }: PartRecord['claims'][number]) {
  const vehicle = useVehicle(vehicleId);
  const where = place === null ? 'anywhere in it' : placeWords(place);
  return (
    <>
      {by} says {CLAIM_WORDS[says]}: {vehicle ? vehicleLabel(vehicle) : vehicleId}, {where} ({notedBy}, {shopDay(on)}).
    </>
  );
}

/** A place that this program does not know is called as it was written. */
function placeWords(place: string): string {
  const known = (PLACE_LABELS as Readonly<Record<string, string | undefined>>)[place] ?? place;
  return known.toLowerCase();
}
