/** What of a car is worked on, and what its plan follows from besides the openings. */
import { isBegunAt, type ShopSettings } from '../model';
import {
  channelSheets,
  type JointLine,
  jointLines,
  type OpenPoint,
  openPoints,
  orderHolds,
  type PointJob,
  type PointOpening,
  type ShopWishes,
  type WireRun,
  wireRuns,
} from '../stations';
import type { PlannedOpening } from './planCar';

type InBay = PointOpening & PlannedOpening;

export type CarInBay<Opening> = {
  readonly openings: readonly Opening[];
  /** Something goes into them, or work has begun. */
  readonly worked: readonly Opening[];
  readonly left: readonly Opening[];
  readonly joints: readonly JointLine[];
  readonly runs: readonly WireRun[];
  /** What nothing may be begun before, in words. */
  readonly held: readonly string[];
};

export function carInBay<Opening extends InBay>(
  job: PointJob & { readonly ended: object | null },
  told: readonly Opening[],
  wishes: ShopWishes & Pick<ShopSettings, 'schools'>,
): CarInBay<Opening> {
  const holds = orderHolds(job, told, wishes);
  const openings = told.map((opening) => withHold(opening, holds.get(opening.id)));
  const isWorkedOn = ({ id, record, state }: Opening) =>
    // What has begun is shown to its end, whatever became of the choice.
    record.build.length > 0 || isBegunAt(job.bay, id) || (state.kind === 'chosen' && state.heldBack === null);
  const worked = openings.filter(isWorkedOn);
  const channels = channelSheets(job, openings, wishes.confidence);
  const sheets = channels.kind === 'known' ? channels.sheets : [];
  return {
    ...{ openings, worked },
    left: openings.filter((opening) => !isWorkedOn(opening)),
    joints: jointLines(sheets, openings, worked, wishes.schools.splice),
    runs: wireRuns(job, sheets, openings, worked),
    held: (job.ended ? [] : openPoints(job, openings))
      .filter((point) => point.isHeld && isBeforeWork(point))
      .map(({ words }) => words),
  };
}

/** What holds the work itself. */
export function isBeforeWork({ station }: OpenPoint): boolean {
  return station === 'bookIn' || station === 'build';
}

/** What its channel does not feed or stand is not built in either. */
function withHold<Opening extends InBay>(opening: Opening, hold: string | undefined): Opening {
  const { state } = opening;
  if (hold === undefined || state.kind !== 'chosen' || state.heldBack !== null) return opening;
  return { ...opening, state: { ...state, heldBack: hold } };
}
