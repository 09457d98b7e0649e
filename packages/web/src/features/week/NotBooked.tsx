/** Open cars without a time ahead, each with where it could go: dragged onto the week, or booked by its button. */
import { useDraggable } from '@dnd-kit/core';
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import { type Booking, hoursWords } from '@low-quarry/core/model';
import { Link } from 'react-router';
import { addressOf } from '../../stations/addressOf';
import { shopDay } from '../../text/shopDays';
import { Button } from '../../ui/Button';
import { Empty } from '../../ui/states';
import { ClashLine } from './ClashLine';
import type { Dragged } from './WeekBoard';

type NotBookedProps = {
  readonly week: Week;
  readonly mayBook: boolean;
  readonly onOpen: (car: WeekCar, booking: Booking | null) => void;
};

export function NotBooked({ week, mayBook, onOpen }: NotBookedProps) {
  const { waiting, waitingTotal } = week;
  return (
    <section aria-label="Not booked" className="flex flex-col gap-1">
      <h2 className="border-b border-ink">
        {waitingTotal === 0 ? 'Not booked' : `Not booked: ${waitingTotal} ${waitingTotal === 1 ? 'car' : 'cars'}`}
      </h2>
      {waiting.length === 0 ? (
        <Empty>Every open car has a time in the bay.</Empty>
      ) : (
        <ul className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
          {waiting.map((car) => (
            <Waiting key={car.jobId} car={car} week={week} mayBook={mayBook} onOpen={onOpen} />
          ))}
        </ul>
      )}
      {waitingTotal > waiting.length && (
        <p className="text-muted">The {waiting.length} that are due soonest are shown.</p>
      )}
    </section>
  );
}

function Waiting({ car, week, mayBook, onOpen }: NotBookedProps & { readonly car: WeekCar }) {
  const data: Dragged = { car, booking: null, from: null };
  const { listeners, setNodeRef, transform, isDragging } = useDraggable({ id: car.jobId, data, disabled: !mayBook });
  const ofCar = week.clashes.filter(({ jobId }) => jobId === car.jobId);
  return (
    <li
      ref={setNodeRef}
      {...listeners}
      className={`flex items-start gap-3 border-b border-hairline py-2 ${isDragging ? 'relative z-20 bg-paper opacity-90' : ''}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <div className="min-w-0 flex-1">
        <Link to={addressOf('job', { jobId: car.jobId })} className="font-semibold text-action underline">
          {car.title}
        </Link>
        <p className="text-[13px] leading-4 text-muted">
          {car.dueOn ? `Due on ${shopDay(car.dueOn)}. ` : 'No day is promised. '}
          {needWords(car)} {car.waits && waitsWords(car.waits)}
        </p>
        {ofCar.map(({ kind, sentence }) => (
          <ClashLine key={sentence} kind={kind} sentence={sentence} className="block text-[13px] leading-4" />
        ))}
      </div>
      {mayBook && (
        <Button className="shrink-0" onClick={() => onOpen(car, null)} aria-label={`Book ${car.title}`}>
          Book
        </Button>
      )}
    </li>
  );
}

export function needWords({ need }: Pick<WeekCar, 'need'>): string {
  if (!need) return 'Nothing is planned yet.';
  if (need.aloneMin === 0) return 'All steps of its plan are done.';
  const saved = need.aloneMin - need.togetherMin >= 5 ? `, ${hoursWords(need.togetherMin)} for two` : '';
  return `About ${hoursWords(need.aloneMin)} of work${saved}.`;
}

export function waitsWords({ what, day }: NonNullable<WeekCar['waits']>): string {
  return day === null ? `Nobody knows when ${what} comes.` : `Ordered today, ${what} comes last, on ${shopDay(day)}.`;
}
