/** The week of the bay, from what is booked, planned and on the order lists. */

import type { Job } from '@low-quarry/core/contracts/jobs';
import { MOST_WAITING, type Week, type WeekCar } from '@low-quarry/core/contracts/week';
import { isBegunAt, jobTitle, placeLabel, type ShopSettings, vehicleName } from '@low-quarry/core/model';
import { type PlanStep, planStates, schedule, sharedTools } from '@low-quarry/core/plan';
import { arrivalDay, clashesOf, dayAfter, spansOf, weekOf } from '@low-quarry/core/week';
import type { JobsStore } from '../jobs/JobsStore';
import type { OrdersService } from '../orders/OrdersService';
import type { PeopleStore } from '../people/PeopleStore';
import type { SettingsStore } from '../settings/SettingsStore';

/** No booking lasts longer, weekends and closed days counted in, days. */
const LONGEST_DAYS = 60;

type Hours = ShopSettings['workingHours'];
type Planned = Awaited<ReturnType<OrdersService['planned']>>;

export class WeekService {
  constructor(
    private readonly jobs: JobsStore,
    private readonly orders: OrdersService,
    private readonly people: PeopleStore,
    private readonly settings: SettingsStore,
    private readonly now: () => Date,
  ) {}

  /** @param day any of the week; null for the one that is */
  async get(day: string | null): Promise<Week> {
    const { today, days } = this.weekOf(day);
    const { workingHours: hours, lifts } = await this.settings.get();
    const people = (await this.people.list()).filter(({ active }) => active).map(({ name }) => name);
    const [first] = [...days, today].sort() as [string];
    const since = dayAfter(first, -LONGEST_DAYS);
    const booked = await this.jobs.listBookedSince(since);
    const never = await this.jobs.listNotBookedSince(since, MOST_WAITING);
    const inWeek = booked.filter((job) => daysOf(job, hours).some((each) => days.includes(each)));
    const over = booked.filter((job) => daysOf(job, hours).every((each) => each < today));
    const waitingJobs = [...over, ...never.jobs].sort(soonestDue).slice(0, MOST_WAITING);
    const known = new Map<string, WeekCar>();
    for (const job of new Set([...inWeek, ...waitingJobs])) known.set(job.id, await this.car(job, today, hours));
    const carOf = (job: Job) => known.get(job.id) ?? bareCar(job);
    const shown = new Set(known.keys());
    const waiting = waitingJobs.map(carOf);
    const all = [...booked, ...waitingJobs.filter((job) => !booked.includes(job))].map(carOf);
    return {
      today,
      days: [...days],
      hours,
      lifts,
      people,
      cars: inWeek.map(carOf),
      waiting,
      waitingTotal: never.total + over.length,
      clashes: clashesOf(all, { hours, lifts, people, today }).filter(({ jobId }) => shown.has(jobId)),
      taken: booked
        .flatMap((job) => job.booked)
        .filter((booking) => (spansOf(booking, hours).at(-1)?.day ?? '') >= today),
    };
  }

  weekOf(day: string | null): { readonly today: string; readonly days: readonly string[] } {
    const today = localDay(this.now());
    return { today, days: weekOf(day ?? today) };
  }

  /** What is booked of open jobs from some weeks ago on, for a calendar. */
  async booked(): Promise<{ readonly jobs: readonly Job[]; readonly shop: ShopSettings }> {
    const since = dayAfter(localDay(this.now()), -LONGEST_DAYS);
    return { jobs: await this.jobs.listBookedSince(since), shop: await this.settings.get() };
  }

  private async car(job: Job, today: string, hours: Hours): Promise<WeekCar> {
    const planned = await this.orders.planned(job.id);
    const { steps } = planned;
    const states = planStates(steps, job.bay);
    const left = states
      .filter(({ kind }) => kind === 'open' || kind === 'again')
      .map(({ step, before }) => ({
        ...step,
        after: before.map(({ id }) => id),
      }));
    return {
      ...bareCar(job),
      need: steps.length === 0 ? null : { aloneMin: minutesFor(left, 1), togetherMin: minutesFor(left, 2) },
      steps: { done: states.length - left.length, all: states.length },
      waits: waitsOf(planned, today, hours),
      sharedTools: [...sharedTools(left)],
    };
  }
}

function minutesFor(steps: readonly PlanStep[], people: number): number {
  return schedule(steps, people).minutes;
}

/** Without what is planned of it. */
function bareCar(job: Job): WeekCar {
  const { id: jobId, number, version, dueOn, booked, registration, vehicle } = job;
  return {
    jobId,
    number,
    version,
    title: jobTitle(job),
    plate: registration || `job ${number}`,
    vehicle: vehicleName(vehicle),
    dueOn,
    booked,
    need: null,
    steps: { done: 0, all: 0 },
    waits: null,
    sharedTools: [],
  };
}

/** Where work at an opening has begun, its parts are here. */
function waitsOf({ job, lines, included }: Planned, today: string, hours: Hours): WeekCar['waits'] {
  const begun = included.filter(({ id }) => isBegunAt(job.bay, id)).map(({ record }) => placeLabel(record));
  const out = lines.filter(
    ({ pieces, aside, forOpenings }) => pieces > aside && !forOpenings.every((label) => begun.includes(label)),
  );
  const days = out.map(({ part: { maker, name }, taken }) => ({
    what: `${maker} ${name}`,
    day: taken?.offer.leadDays == null ? null : arrivalDay(today, taken.offer.leadDays, hours),
  }));
  const isLater = (a: string | null, b: string | null) => a === null || (b !== null && a > b);
  return days.reduce<WeekCar['waits']>((last, each) => (last && !isLater(each.day, last.day) ? last : each), null);
}

function daysOf({ booked }: Job, hours: Hours): readonly string[] {
  return booked.flatMap((booking) => spansOf(booking, hours).map(({ day }) => day));
}

function soonestDue(a: Job, b: Job): number {
  return (a.dueOn ?? '9999').localeCompare(b.dueOn ?? '9999') || a.number - b.number;
}

/** The day that it is where the shop stands. */
function localDay(at: Date): string {
  const two = (value: number) => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}
