/** A time in the bay, by typing: day, time of the day, how long, which lift, who; and what would not go together with it. */
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import { BOOKING_STEP_MIN, type Booking, bookingSchema, hoursWords, minutesOf } from '@low-quarry/core/model';
import { clashesOf, firstFree } from '@low-quarry/core/week';
import { useMemo } from 'react';
import { useController, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { z } from 'zod';
import { addressOf } from '../../stations/addressOf';
import { shopDay } from '../../text/shopDays';
import { readClock, readMinutes } from '../../text/typedMinutes';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FormError } from '../../ui/FormError';
import { FormDay } from '../../ui/form/FormDay';
import { FormText } from '../../ui/form/FormText';
import { useCheckedForm } from '../../ui/form/useCheckedForm';
import { useTypedKept } from '../../ui/form/useTypedKept';
import { newId } from '../../ui/newId';
import { Tick } from '../../ui/Tick';
import { useKept } from '../../ui/useKept';
import { ClashLine } from './ClashLine';
import { needWords, waitsWords } from './NotBooked';
import type { useBook } from './weekQueries';
import { type AtHand, usualMinutes } from './weekView';

const typedShape = z.object({
  day: z.string().nullable(),
  at: z.string(),
  time: z.string(),
  lift: z.string(),
  people: z.array(z.string()).readonly(),
});
type Typed = Readonly<z.output<typeof typedShape>>;

const NOTHING_REFUSED: readonly never[] = [];
/** Each text is read with what is wrong with it at its own field; what can be read is held against the record's own rules. */
const typedSchema: z.ZodType<Omit<Booking, 'key'>, Typed> = typedShape.transform(
  ({ time, at, people, day, lift }, context) => {
    const clock = readClock(at);
    const minutes = readMinutes(time);
    if (!clock.ok) context.addIssue({ code: 'custom', path: ['at'], message: clock.failure });
    if (!minutes.ok) context.addIssue({ code: 'custom', path: ['time'], message: minutes.failure });
    const read = bookingSchema.omit({ key: true }).safeParse({
      ...{ day: day ?? '', lift, people: [...people] },
      at: clock.ok ? clock.value : '00:00',
      minutes: minutes.ok ? minutes.value : BOOKING_STEP_MIN,
    });
    if (read.success) return read.data;
    for (const { path, message } of read.error.issues)
      context.addIssue({ code: 'custom', path: path[0] === 'minutes' ? ['time'] : [...path], message });
    return z.NEVER;
  },
);

type BookingFormProps = {
  readonly week: Week;
  readonly atHand: AtHand;
  readonly mayBook: boolean;
  readonly book: ReturnType<typeof useBook>;
  readonly onDone: () => void;
};

export function BookingForm({ week, atHand: { car, booking }, mayBook, book, onDone }: BookingFormProps) {
  const begin = () => toTyped(booking ?? proposal(week, car));
  const { state, keep, settle, broughtBack } = useKept<Typed>(
    `booking.${car.jobId}.${booking?.key ?? 'new'}`,
    typedShape,
    begin,
  );
  const form = useCheckedForm(typedSchema, state, NOTHING_REFUSED);
  useTypedKept(form, keep);
  const { control, handleSubmit, reset, setValue } = form;
  const lift = useController({ control, name: 'lift' });
  const people = useController({ control, name: 'people' });
  const typed = useWatch({ control }) as Typed;
  const read = typedSchema.safeParse(typed);
  const key = useMemo(() => booking?.key ?? newId(), [booking]);
  const lifts = week.lifts.includes(typed.lift) ? week.lifts : [...week.lifts, typed.lift];
  const down = typed.people.filter((name) => !week.people.includes(name));
  const free = read.success ? nextFree(week, key, car, read.data.minutes) : null;
  const isThere = free?.day === typed.day && free?.at === typed.at && free?.lift === typed.lift;
  const send = (after: Booking | null, said: string) =>
    book.mutate(
      { car, before: booking, after, said },
      {
        onSuccess: () => {
          settle(begin());
          onDone();
        },
      },
    );
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={handleSubmit((next) =>
        send({ key, ...next }, `${car.title}: ${shopDay(next.day)}, ${next.at}, ${next.lift}.`),
      )}
    >
      <BroughtBack
        show={broughtBack}
        onDrop={() => {
          settle(begin());
          reset(begin());
        }}
      />
      <p className="text-muted">
        {car.dueOn ? `Due on ${shopDay(car.dueOn)}. ` : 'No day is promised. '}
        {needWords(car)} {car.waits && waitsWords(car.waits)}{' '}
        <Link to={addressOf('job', { jobId: car.jobId })} className="text-action underline">
          The car
        </Link>
      </p>
      <fieldset disabled={!mayBook} className="flex flex-col gap-4">
        <FormError>{book.error?.message ?? null}</FormError>
        <div className="grid gap-x-6 gap-y-4 sm:grid-cols-2">
          <FormDay control={control} name="day" label="Day" />
          <FormText
            control={control}
            name="at"
            label="From"
            hint="A time of the day, such as 8:30."
            autoComplete="off"
          />
          <FormText control={control} name="time" label="Time of work" hint={timeHint(typed.time)} autoComplete="off" />
          <Choice
            label="Lift"
            value={typed.lift}
            options={lifts.map((each) => [each, each] as const)}
            error={lift.fieldState.error?.message ?? null}
            onChange={lift.field.onChange}
          />
        </div>
        <fieldset>
          <legend className="font-semibold">Who</legend>
          <div className="flex flex-wrap gap-x-6">
            {[...week.people, ...down].map((name) => (
              <Tick
                key={name}
                label={name}
                isOn={typed.people.includes(name)}
                onChange={(isOn) =>
                  people.field.onChange(isOn ? [...typed.people, name] : typed.people.filter((each) => each !== name))
                }
              />
            ))}
          </div>
          {people.fieldState.error && <p className="font-semibold text-hits">{people.fieldState.error.message}</p>}
        </fieldset>
        {read.success && <Clashes week={week} car={car} booking={{ key, ...read.data }} />}
        {free && !isThere && (
          <Button
            kind="quiet"
            className="self-start"
            onClick={() => {
              setValue('day', free.day, { shouldValidate: true });
              setValue('at', free.at);
              setValue('lift', free.lift);
            }}
          >
            First free for so long: {shopDay(free.day)}, {free.at}, {free.lift}
          </Button>
        )}
        {mayBook && (
          <div className="flex flex-wrap gap-3">
            <Button kind="main" type="submit" disabled={book.isPending}>
              {booking ? 'Save the time' : 'Book the time'}
            </Button>
            {booking && (
              <Button disabled={book.isPending} onClick={() => send(null, `${car.title}: a time was taken off.`)}>
                Take the time off
              </Button>
            )}
          </div>
        )}
      </fieldset>
    </form>
  );
}

function timeHint(text: string): string {
  const read = readMinutes(text);
  return read.ok
    ? `${hoursWords(read.value)}; what a day does not hold goes on the next one.`
    : 'Such as 90 or 1 h 30.';
}

function toTyped({ day, at, minutes, lift, people }: Omit<Booking, 'key'>): Typed {
  return { day, at, time: hoursWords(minutes), lift, people };
}

/** As long as is left of its plan, where a lift is free first, after its parts are here. */
function proposal(week: Week, car: WeekCar): Omit<Booking, 'key'> {
  const minutes = usualMinutes(car);
  const free = nextFree(week, null, car, minutes);
  const otherwise = { day: week.today, at: week.hours.from, lift: week.lifts[0] as string };
  return { ...(free ?? otherwise), minutes, people: [] };
}

/** From this moment on, or from when the last part is here. @param key of the time that is moved, which is in nobody's way */
function nextFree({ taken, today, ...rules }: Week, key: string | null, { waits }: WeekCar, minutes: number) {
  const now = new Date();
  const isLater = waits?.day != null && waits.day > today;
  const from = isLater
    ? { day: waits.day as string, fromMin: minutesOf(rules.hours.from) }
    : { day: today, fromMin: now.getHours() * 60 + now.getMinutes() };
  return firstFree(
    taken.filter((each) => each.key !== key),
    rules,
    from,
    minutes,
  );
}

/** As it is typed: with the cars of this week by name, and what else is booked as another car. */
function Clashes({ week, car, booking }: { readonly week: Week; readonly car: WeekCar; readonly booking: Booking }) {
  const { cars, waiting, taken, hours, lifts, people, today } = week;
  const mine = { ...car, booked: [...car.booked.filter(({ key }) => key !== booking.key), booking] };
  const named = [...cars, ...waiting].filter(({ jobId }) => jobId !== car.jobId);
  const known = new Set([...cars, ...waiting, car].flatMap(({ booked }) => booked.map(({ key }) => key)));
  const other = {
    ...{ jobId: '', title: 'another car', dueOn: null, need: null, waits: null, sharedTools: [] },
    booked: taken.filter(({ key }) => !known.has(key)),
  };
  const clashes = clashesOf([mine, ...named, other], { hours, lifts, people, today }).filter(
    ({ jobId, key }) => jobId === car.jobId && (key === null || key === booking.key),
  );
  if (clashes.length === 0) return <p className="text-clears">Nothing else of the bay is in its way.</p>;
  return (
    <ul>
      {clashes.map(({ kind, sentence }) => (
        <li key={`${kind} ${sentence}`}>
          <ClashLine kind={kind} sentence={sentence} />
        </li>
      ))}
    </ul>
  );
}
