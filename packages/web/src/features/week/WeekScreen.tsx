/** Which car stands on which lift when, with whom, and what does not go together? */
import { getWeekCalendar, type Week, type WeekCar } from '@low-quarry/core/contracts/week';
import type { Booking } from '@low-quarry/core/model';
import { dayAfter } from '@low-quarry/core/week';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { fillPath } from '../../api/fillPath';
import { useMay } from '../../api/me';
import { isDay } from '../../text/day';
import { shopDay } from '../../text/shopDays';
import { useAddress, withParams } from '../../ui/address';
import { Button, DownloadLink } from '../../ui/Button';
import { FormError } from '../../ui/FormError';
import { Layer } from '../../ui/Layer';
import { Shell } from '../../ui/Shell';
import { Answered, Empty } from '../../ui/states';
import { BookingForm } from './BookingForm';
import { MyCalendar } from './MyCalendar';
import { NotBooked } from './NotBooked';
import { WeekBoard } from './WeekBoard';
import { WeekClashes } from './WeekClashes';
import { useBook, weekQuery } from './weekQueries';
import { type AtHand, WEEK_WAYS, type WeekWay } from './weekView';

const WAY_WORDS: Readonly<Record<WeekWay, string>> = { lift: 'By lift', person: 'By person' };

export function WeekScreen() {
  const [search, changeAddress] = useAddress();
  const asked = search.get('day');
  const day = asked && isDay(asked) ? asked : null;
  const way = WEEK_WAYS.find((each) => each === search.get('by')) ?? 'lift';
  const week = useQuery(weekQuery(day));
  const mayBook = useMay('jobs');
  const book = useBook();
  const [atHand, setAtHand] = useState<AtHand | null>(null);
  const go = (next: string | null) => changeAddress((before) => withParams(before, { day: next }));
  const open = (car: WeekCar, booking: Booking | null) => {
    book.reset();
    setAtHand({ car, booking });
  };
  return (
    <Shell title="Bay" crumbs={[]}>
      <Answered query={week} what="the week">
        {(answer) => (
          <>
            <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
              <h2>{weekWords(answer)}</h2>
              <nav aria-label="Weeks" className="flex gap-x-2">
                <Button kind="quiet" onClick={() => go(dayAfter(answer.days[0] as string, -7))}>
                  The week before
                </Button>
                <Button kind="quiet" disabled={answer.days.includes(answer.today)} onClick={() => go(null)}>
                  This week
                </Button>
                <Button kind="quiet" onClick={() => go(dayAfter(answer.days[0] as string, 7))}>
                  The next one
                </Button>
              </nav>
              <fieldset className="flex gap-x-4">
                <legend className="sr-only">Columns</legend>
                {WEEK_WAYS.map((each) => (
                  <button
                    key={each}
                    type="button"
                    aria-pressed={each === way}
                    onClick={() => changeAddress((before) => withParams(before, { by: each === 'lift' ? null : each }))}
                    className={`min-h-12 border-b-4 px-1 ${each === way ? 'border-action font-bold text-ink' : 'border-transparent text-action'}`}
                  >
                    {WAY_WORDS[each]}
                  </button>
                ))}
              </fieldset>
              <DownloadLink className="ml-auto" href={`${fillPath(getWeekCalendar.path, {})}?day=${answer.days[0]}`}>
                This week as a calendar file
              </DownloadLink>
            </div>
            <FormError>{book.isError && !atHand ? book.error.message : null}</FormError>
            {!mayBook && <p className="text-muted">Times are booked and moved by the counter or the owner.</p>}
            <WeekBoard
              week={answer}
              way={way}
              mayBook={mayBook}
              onOpen={open}
              onMove={(car, before, after) =>
                book.mutate({
                  car,
                  before,
                  after,
                  said: `${car.title}: ${shopDay(after.day)}, ${after.at}, ${after.lift}.`,
                })
              }
              besides={<NotBooked week={answer} mayBook={mayBook} onOpen={open} />}
            />
            {answer.cars.length === 0 && <Empty>Nothing is booked in this week.</Empty>}
            <WeekClashes week={answer} onOpen={open} />
            <MyCalendar />
          </>
        )}
      </Answered>
      <Layer title={atHand ? atHand.car.title : ''} open={atHand !== null} onOpenChange={() => setAtHand(null)}>
        {atHand && week.data && (
          <BookingForm week={week.data} atHand={atHand} mayBook={mayBook} book={book} onDone={() => setAtHand(null)} />
        )}
      </Layer>
    </Shell>
  );
}

function weekWords({ days }: Pick<Week, 'days'>): string {
  return `${shopDay(days[0] as string)} to ${shopDay(days.at(-1) as string)}`;
}
