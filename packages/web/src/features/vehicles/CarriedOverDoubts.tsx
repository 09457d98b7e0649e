/** Why what is carried over from another variant may not hold on this one. */
import { carriedOverDoubts } from '@low-quarry/core/model';
import { useVehicle } from './vehicleQueries';

type CarriedOverDoubtsProps = { readonly fromId: string; readonly now: Parameters<typeof carriedOverDoubts>[1] };

export function CarriedOverDoubts({ fromId, now }: CarriedOverDoubtsProps) {
  const from = useVehicle(fromId);
  const doubts = from ? carriedOverDoubts(from, now) : [];
  if (doubts.length === 0) return null;
  return (
    <div>
      <p className="font-semibold">Why it may not hold here:</p>
      <ul className="list-disc pl-5">
        {doubts.map((doubt) => (
          <li key={doubt}>{doubt}</li>
        ))}
      </ul>
    </div>
  );
}
