/** What of the week does not go together, in sentences, each with the time it is of. */
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import type { Booking } from '@low-quarry/core/model';
import { ClashLine } from './ClashLine';

export function WeekClashes({
  week: { cars, clashes },
  onOpen,
}: {
  readonly week: Week;
  readonly onOpen: (car: WeekCar, booking: Booking | null) => void;
}) {
  const shown = cars.flatMap((car) =>
    clashes.filter(({ jobId }) => jobId === car.jobId).map((clash) => ({ car, ...clash })),
  );
  return (
    <section aria-label="What does not go together" className="flex flex-col gap-1">
      <h2 className="border-b border-ink">What does not go together</h2>
      {shown.length === 0 && (
        <p>Nothing of this week: each lift and each person is at one car at a time, within the hours.</p>
      )}
      <ul>
        {shown.map(({ car, key, kind, sentence }) => (
          <li key={`${car.jobId} ${key} ${kind} ${sentence}`} className="flex flex-wrap items-baseline gap-x-3">
            <button
              type="button"
              className="min-h-12 text-left font-semibold text-action underline"
              onClick={() => onOpen(car, car.booked.find((booking) => booking.key === key) ?? car.booked[0] ?? null)}
            >
              {car.title}
            </button>
            <ClashLine kind={kind} sentence={sentence} />
          </li>
        ))}
      </ul>
    </section>
  );
}
