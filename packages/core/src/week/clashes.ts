/** What of the bay's week does not go together. */
import { listed } from '../listed';
import { type Booking, clockOf, hoursWords, minutesOf } from '../model';
import { dayAfter, type Hours, isOpenOn, overlap, type Span, spansOf, weekdayOf } from './days';

/** What is left of a car's plan, min. */
export type Need = { readonly aloneMin: number; readonly togetherMin: number };

export type CarOfWeek = {
  readonly jobId: string;
  /** "Ostrand Longshore, PILOT 2" */
  readonly title: string;
  readonly dueOn: string | null;
  readonly booked: readonly Booking[];
  /** Null where nothing is planned yet. */
  readonly need: Need | null;
  /** Parts that lie not here: the day on which the last of them is if it is ordered today; null where nobody says for one. */
  readonly waits: { readonly what: string; readonly day: string | null } | null;
  /** What its plan still takes up of which the shop has one: "A soldering iron". */
  readonly sharedTools: readonly string[];
};

export type WeekRules = {
  readonly hours: Hours;
  readonly lifts: readonly string[];
  /** Of those who work here. */
  readonly people: readonly string[];
  readonly today: string;
};

export const CLASH_KINDS = [
  ...(['lift', 'person', 'hours', 'late', 'parts', 'short', 'nobody', 'unknown', 'notBooked', 'tool'] as const),
] as const;
export type ClashKind = (typeof CLASH_KINDS)[number];

export type Clash = {
  readonly kind: ClashKind;
  readonly jobId: string;
  /** Of the booking; null where it is of the car. */
  readonly key: string | null;
  readonly sentence: string;
};

/** A plan may be over by this share: its minutes are common practice. */
const SHORT_BY = 0.02;
/** Who is due within so many days and not booked is told, days. */
const SOON_DAYS = 7;

type Placed = { readonly car: CarOfWeek; readonly booking: Booking; readonly spans: readonly Span[] };

/** All of them, the cars in their order, what is of a lift or a person once for each of the two. */
export function clashesOf(cars: readonly CarOfWeek[], rules: WeekRules): readonly Clash[] {
  const placed = cars.flatMap((car) =>
    car.booked.map((booking): Placed => ({ car, booking, spans: spansOf(booking, rules.hours) })),
  );
  return cars.flatMap((car) => [
    ...placed
      .filter((each) => each.car === car)
      .flatMap((own) => [...between(own, placed, rules), ...alone(own, rules)]),
    ...ofCar(car, rules),
  ]);
}

/** What is over is no clash any more: nobody can move it. */
function isOver({ spans }: Placed, today: string): boolean {
  return (spans.at(-1)?.day ?? '') < today;
}

function between(own: Placed, all: readonly Placed[], { today }: WeekRules): readonly Clash[] {
  if (isOver(own, today)) return [];
  const { car, booking } = own;
  return all.flatMap((other) => {
    if (other === own) return [];
    const meets = own.spans.flatMap((span) => other.spans.filter((each) => overlap(span, each)).map(() => span))[0];
    if (!meets) return [];
    const who = booking.people.filter((person) => other.booking.people.includes(person));
    const whom = `${other.car === car ? 'another time of the same car' : other.car.title} (${weekdayOf(other.booking.day)} ${other.booking.at})`;
    const base = { jobId: car.jobId, key: booking.key };
    return [
      ...(booking.lift === other.booking.lift
        ? [{ ...base, kind: 'lift' as const, sentence: `${booking.lift} is taken by ${whom}.` }]
        : []),
      ...toolClash(own, other, base),
      ...(who.length > 0
        ? [
            {
              ...base,
              kind: 'person' as const,
              sentence: `${listed(who)} ${who.length === 1 ? 'is' : 'are'} at ${whom} then.`,
            },
          ]
        : []),
    ];
  });
}

/** Of one tool two cars are not worked on at once: somebody waits, or takes turns. */
function toolClash({ car }: Placed, { car: other }: Placed, base: Pick<Clash, 'jobId' | 'key'>): readonly Clash[] {
  const both = other === car ? [] : car.sharedTools.filter((tool) => other.sharedTools.includes(tool));
  if (both.length === 0) return [];
  const names = listed(both.map((tool) => tool.charAt(0).toLowerCase() + tool.slice(1)));
  return [
    {
      ...base,
      kind: 'tool',
      sentence: `${other.title} takes up ${names} too at that time, of which the shop has one: by turns, or one more.`,
    },
  ];
}

function alone({ car, booking, spans }: Placed, { hours, lifts, people, today }: WeekRules): readonly Clash[] {
  const end = spans.at(-1) as Span;
  if (end.day < today) return [];
  const base = { jobId: car.jobId, key: booking.key };
  const clashes: Clash[] = [];
  const add = (kind: ClashKind, sentence: string) => clashes.push({ ...base, kind, sentence });
  const begins = minutesOf(booking.at);
  if (!isOpenOn(booking.day, hours)) add('hours', `The shop is closed on ${weekdayOf(booking.day)}.`);
  else if (begins < minutesOf(hours.from) || begins >= minutesOf(hours.to))
    add('hours', `${booking.at} is outside the working hours, ${hours.from} to ${hours.to}.`);
  if (car.dueOn !== null && end.day > car.dueOn)
    add(
      'late',
      `It is due on ${weekdayOf(car.dueOn)} ${car.dueOn}, and done on ${weekdayOf(end.day)} ${end.day}, ${clockOf(end.toMin)}.`,
    );
  if (car.waits && (car.waits.day === null || car.waits.day > booking.day))
    add(
      'parts',
      car.waits.day === null
        ? `Nobody knows when ${car.waits.what} comes.`
        : `${car.waits.what} comes on ${weekdayOf(car.waits.day)} ${car.waits.day} if it is ordered today: after the work begins.`,
    );
  if (booking.people.length === 0) add('nobody', 'Nobody is down for it.');
  if (!lifts.includes(booking.lift)) add('unknown', `The shop has no ${booking.lift} any more.`);
  const gone = booking.people.filter((person) => !people.includes(person));
  if (gone.length > 0) add('unknown', `${listed(gone)} ${gone.length === 1 ? 'does' : 'do'} not work here any more.`);
  return clashes;
}

/** Bookings that are over count for nothing: what is left of the plan is left after them. */
function ofCar(car: CarOfWeek, { hours, today }: WeekRules): readonly Clash[] {
  const { jobId, booked, need, dueOn } = car;
  const ahead = booked.filter((booking) => (spansOf(booking, hours).at(-1)?.day ?? '') >= today);
  const base = { jobId, key: null };
  if (ahead.length === 0) {
    if (dueOn === null || dueOn > dayAfter(today, SOON_DAYS)) return [];
    if (need && need.aloneMin === 0) return [];
    const when = dueOn < today ? `was due on ${weekdayOf(dueOn)} ${dueOn}` : `is due on ${weekdayOf(dueOn)} ${dueOn}`;
    return [{ ...base, kind: 'notBooked', sentence: `It ${when}, and no time is booked for it.` }];
  }
  if (!need || need.aloneMin === 0) return [];
  const timeFor = ({ people }: Booking) => (people.length > 1 ? need.togetherMin : need.aloneMin);
  const share = ahead.reduce((sum, booking) => sum + booking.minutes / timeFor(booking), 0);
  if (share >= 1 - SHORT_BY) return [];
  const minutes = ahead.reduce((sum, booking) => sum + booking.minutes, 0);
  const most = ahead.some(({ people }) => people.length > 1);
  const takes = `What is left of its plan takes ${hoursWords(most ? need.togetherMin : need.aloneMin)} for ${most ? 'two people' : 'one person'}`;
  return [
    {
      ...base,
      kind: 'short',
      sentence: `${takes}, and ${hoursWords(minutes)} ${minutes === 60 ? 'is' : 'are'} booked.`,
    },
  ];
}
