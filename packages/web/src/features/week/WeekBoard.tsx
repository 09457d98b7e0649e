/** The week, drawn: a column a lift or a person, a bar a time in the bay, dragged to where it is to be. */
import {
  type Announcements,
  DndContext,
  type DragEndEvent,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import type { Week, WeekCar } from '@low-quarry/core/contracts/week';
import { type Booking, clockOf, hoursWords } from '@low-quarry/core/model';
import { type ReactNode, useState } from 'react';
import { shopDay } from '../../text/shopDays';
import { newId } from '../../ui/newId';
import { clashTone } from './clashWords';
import { type Block, type Column, droppedAt, movedTo, usualMinutes, type WeekWay, weekView } from './weekView';

const PX_A_MIN = 0.8;
/** Of a bar, so that its times can be read, px. */
const LEAST_PX = 92;
/** From here on a bar has room for all of its lines, px. */
const TALL_PX = 72;
/** A press is no drag until the hand has moved so far, px; on glass, until it has rested so long, ms. */
const MOUSE_DRAG = { activationConstraint: { distance: 6 } };
const TOUCH_DRAG = { activationConstraint: { delay: 250, tolerance: 6 } };

type WeekBoardProps = {
  readonly week: Week;
  readonly way: WeekWay;
  readonly mayBook: boolean;
  readonly onOpen: (car: WeekCar, booking: Booking | null) => void;
  readonly onMove: (car: WeekCar, before: Booking | null, after: Booking) => void;
  /** What can be dragged onto it. */
  readonly besides: ReactNode;
};

/** What is in the hand, and where it was. */
export type Dragged = { readonly car: WeekCar; readonly booking: Booking | null; readonly from: string | null };

export function WeekBoard({ week, way, mayBook, onOpen, onMove, besides }: WeekBoardProps) {
  const view = weekView(week, way);
  const [shownDay, setShownDay] = useState<string | null>(null);
  const sensors = useSensors(useSensor(MouseSensor, MOUSE_DRAG), useSensor(TouchSensor, TOUCH_DRAG));
  const narrowDay =
    view.days.find(({ day }) => day === shownDay)?.day ??
    view.days.find(({ day }) => day >= week.today)?.day ??
    view.days[0]?.day;
  const drop = ({ active, over }: DragEndEvent) => {
    const { car, booking, from } = active.data.current as Dragged;
    const column = over?.data.current as Column | undefined;
    const top = active.rect.current.translated?.top;
    if (!over || !column || top === undefined) return;
    const at = droppedAt(view.fromMin + (top - over.rect.top) / PX_A_MIN);
    const before = booking ?? newBooking(car, week);
    const after = movedTo(before, way, { day: column.day, at, name: column.name, from });
    if (booking && after.day === booking.day && after.at === booking.at && column.name === from) return;
    onMove(car, booking, after);
  };
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={drop}
      accessibility={{ announcements: ANNOUNCEMENTS, screenReaderInstructions: INSTRUCTIONS }}
    >
      <fieldset className="flex flex-wrap gap-x-4 lg:hidden">
        <legend className="sr-only">Day</legend>
        {view.days.map(({ day }) => (
          <button
            key={day}
            type="button"
            aria-pressed={day === narrowDay}
            onClick={() => setShownDay(day)}
            className={`min-h-12 border-b-4 px-1 ${day === narrowDay ? 'border-action font-bold' : 'border-transparent text-action'}`}
          >
            {shopDay(day).slice(0, 3)}
            {day === week.today && ', today'}
          </button>
        ))}
      </fieldset>
      <section className="isolate flex overflow-x-auto border-b border-ink" aria-label="The week">
        <Clock fromMin={view.fromMin} toMin={view.toMin} />
        {view.days.map(({ day, isOpen, columns }) => (
          <section
            key={day}
            aria-label={shopDay(day)}
            className={`flex-1 border-l-2 border-ink ${day === narrowDay ? '' : 'hidden lg:block'}`}
          >
            <h3 className={`truncate border-b border-hairline px-1 ${day === week.today ? 'font-bold' : ''}`}>
              {shopDay(day)}
              {day === week.today && ', today'}
              {!isOpen && ', closed'}
            </h3>
            <div className="flex">
              {columns.map((column) => (
                <Lane
                  key={column.id}
                  column={column}
                  hours={{ fromMin: view.fromMin, toMin: view.toMin }}
                  mayBook={mayBook}
                  onOpen={onOpen}
                />
              ))}
            </div>
          </section>
        ))}
      </section>
      {besides}
    </DndContext>
  );
}

function newBooking(car: WeekCar, { lifts }: Week): Booking {
  return { key: newId(), lift: lifts[0] as string, day: '', at: '', minutes: usualMinutes(car), people: [] };
}

const HEAD = 'h-6 truncate border-b border-ink px-1 text-[13px] leading-6';

function Clock({ fromMin, toMin }: { readonly fromMin: number; readonly toMin: number }) {
  const hours = hoursBetween(fromMin, toMin);
  return (
    <div aria-hidden="true" className="w-12 shrink-0 text-[13px] text-muted">
      <div className="h-[21px]" />
      <div className={HEAD} />
      <div className="relative" style={{ height: (toMin - fromMin) * PX_A_MIN }}>
        {hours.map((min) => (
          <span
            key={min}
            className={`absolute right-1 ${min === fromMin ? '' : '-translate-y-1/2'}`}
            style={{ top: (min - fromMin) * PX_A_MIN }}
          >
            {clockOf(min)}
          </span>
        ))}
      </div>
    </div>
  );
}

function hoursBetween(fromMin: number, toMin: number): readonly number[] {
  const first = Math.ceil(fromMin / 60);
  return Array.from({ length: Math.floor(toMin / 60) - first + 1 }, (_, at) => (first + at) * 60);
}

function Lane({
  column,
  hours: { fromMin, toMin },
  mayBook,
  onOpen,
}: {
  readonly column: Column;
  readonly hours: { readonly fromMin: number; readonly toMin: number };
  readonly mayBook: boolean;
  readonly onOpen: WeekBoardProps['onOpen'];
}) {
  const { setNodeRef, isOver } = useDroppable({ id: column.id, data: column });
  const lanes = Math.max(1, ...column.blocks.map((block) => block.lanes));
  return (
    <div className="flex-1 border-l border-hairline first:border-l-0" style={{ minWidth: LEAST_PX * lanes }}>
      <h4 className={HEAD}>{column.name ?? 'Nobody yet'}</h4>
      <div
        ref={setNodeRef}
        className={`relative ${isOver ? 'bg-paper' : ''}`}
        style={{ height: (toMin - fromMin) * PX_A_MIN }}
      >
        {hoursBetween(fromMin, toMin).map((min) => (
          <div
            key={min}
            className="absolute inset-x-0 border-t border-hairline"
            style={{ top: (min - fromMin) * PX_A_MIN }}
          />
        ))}
        {column.blocks.map((block) => (
          <Bar
            key={`${block.booking.key} ${block.part}`}
            block={block}
            column={column}
            fromMin={fromMin}
            mayBook={mayBook}
            onOpen={onOpen}
          />
        ))}
      </div>
    </div>
  );
}

const TONES = { hits: 'border-hits', measure: 'border-measure', none: 'border-ink' } as const;

function Bar({
  block,
  column,
  fromMin,
  mayBook,
  onOpen,
}: {
  readonly block: Block;
  readonly column: Column;
  readonly fromMin: number;
  readonly mayBook: boolean;
  readonly onOpen: WeekBoardProps['onOpen'];
}) {
  const { car, booking, part, parts, lane, lanes, clashes } = block;
  const data: Dragged = { car, booking, from: column.name };
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: `${column.id} ${booking.key} ${part}`,
    data,
    disabled: !mayBook || part > 0,
  });
  const tone = clashTone(clashes);
  const isTall = (block.toMin - block.fromMin) * PX_A_MIN > TALL_PX;
  const times = `${clockOf(block.fromMin)} to ${clockOf(block.toMin)}`;
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      aria-describedby={attributes['aria-describedby']}
      onClick={() => onOpen(car, booking)}
      className={`absolute flex flex-col items-start overflow-hidden border border-l-[6px] bg-paper px-1 text-left text-[13px] leading-4 ${TONES[tone]} ${isDragging ? 'z-20 opacity-80' : 'z-10'} ${part > 0 ? 'border-dashed' : ''}`}
      style={{
        top: (block.fromMin - fromMin) * PX_A_MIN,
        height: Math.max(24, (block.toMin - block.fromMin) * PX_A_MIN - 1),
        left: `${(lane / lanes) * 100}%`,
        width: `${100 / lanes}%`,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        touchAction: 'manipulation',
      }}
    >
      <strong className="max-w-full shrink-0 truncate">{car.plate}</strong>
      <span className="shrink-0">{times}</span>
      {tone !== 'none' && (
        <strong className={tone === 'hits' ? 'text-hits' : 'text-measure'}>{TONE_WORDS[tone]} </strong>
      )}
      <span className="text-muted">
        {column.name === booking.lift ? booking.people.join(', ') || 'nobody yet' : booking.lift}
        {parts > 1 && `, day ${part + 1} of ${parts}`}
        {isTall && car.steps.all > 0 && `; ${car.steps.done} of ${car.steps.all} steps`}
        {isTall && <span className="block">{car.vehicle}</span>}
        <span className="sr-only">
          , {booking.lift}, {booking.people.join(', ')}, {hoursWords(booking.minutes)} of work
        </span>
      </span>
    </button>
  );
}

const TONE_WORDS = { hits: '✕ Twice', measure: '◇ Look' } as const;

const INSTRUCTIONS = {
  draggable: 'Press it to change day, time, lift and people by typing. With a mouse or a finger it can be dragged.',
};
const nameOf = (data: unknown) => (data as Dragged | undefined)?.car.title ?? 'It';
const ANNOUNCEMENTS: Announcements = {
  onDragStart: ({ active }) => `${nameOf(active.data.current)} is lifted.`,
  onDragOver: () => undefined,
  onDragEnd: ({ active, over }) => (over ? `${nameOf(active.data.current)} is put down.` : 'It stays where it was.'),
  onDragCancel: () => 'It stays where it was.',
};
