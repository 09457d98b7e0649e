/** What of the car has to be known for this wish, and is not, or was only said. What does not matter here is not asked. */
import {
  besidesAt,
  CAR_FACT_KEYS,
  CAR_FACTS,
  type CarFactKey,
  isBehindHinge,
  isInDoor,
  isOnlyHeard,
  knownFact,
  type Place,
} from '../model';
import { lowerFirst } from '../order';
import { isNewWire } from './newWirePoints';
import type { OpenPoint, PointJob, PointOpening } from './point';

/** @param openings those that are, or may be, there */
export function carFactPoints(job: PointJob, openings: readonly PointOpening[]): readonly OpenPoint[] {
  return CAR_FACT_KEYS.filter((key) => MATTERS[key](job, openings)).flatMap((key) => {
    const { question, askedAt, seenAt, look, stake, answers } = CAR_FACTS[key];
    const known = knownFact(key, job.found, job.vehicle.facts);
    if (known && !isOnlyHeard(known.grade)) return [];
    // What was only said is asked for again where somebody can see it.
    const at = known ? seenAt : askedAt;
    const said = known ? ` It was only said: ${lowerFirst(answers[known.answer] ?? known.answer)}.` : '';
    return [
      {
        id: `fact ${key}`,
        station: at === 'telephone' || at === 'counter' ? 'bookIn' : WIRE_FACTS.includes(key) ? 'wire' : 'measure',
        askedAt: at,
        words: `${question}${said}`,
        stake: `${look} ${stake}`,
        settledAt: { kind: 'facts', key },
        isHeld: false,
      } satisfies OpenPoint,
    ];
  });
}

/** What is seen of the signal's way. */
export const WIRE_FACTS: readonly CarFactKey[] = ['amplifier', 'alsoSounds', 'doorWires', 'boot', 'band'];

/** Whether its plugs bring more than its own sound, as far as anybody looked. */
function mayBringMore({ secondPlug, plugFaces }: PointOpening['record']): boolean {
  return secondPlug !== 'none' || besidesAt({ secondPlug, plugFaces }).length > 0;
}

const BELTED: ReadonlySet<Place> = new Set(['aPillar', 'sidePanel', 'rearWall', 'rearDeck', 'overhead']);

/** Whether it changes anything for this car and this wish; where nobody has said what is wanted, it may. */
const MATTERS: Readonly<Record<CarFactKey, (job: PointJob, openings: readonly PointOpening[]) => boolean>> = {
  // A like for like repair hangs on whatever feeds it; anything else has to suit it.
  amplifier: (job) => !isRepairOnly(job) || (job.later ?? []).some((each) => each === 'amplifier' || each === 'radio'),
  windows: (_job, openings) => openings.some(({ record }) => isInDoor(record.place)),
  alsoSounds: ({ amplifierPlan: plan }, openings) =>
    // Where all was heard without the amplifier, what it was is no question.
    (plan?.kind === 'bypass' && plan.sounds !== 'heard') ||
    openings.some(({ record }) => record.presence === 'fitted' && mayBringMore(record)),
  doorWires: (_job, openings) =>
    openings.some(
      ({ record: { place, presence, wiring } }) =>
        isInDoor(place) && presence !== 'fitted' && wiring.kind === 'unknown',
    ),
  boot: (job, openings) =>
    openings.some(({ record: { place } }) => isBehindHinge(place)) &&
    ((job.later ?? []).includes('amplifier') ||
      job.crossovers.some(({ outputs }) => outputs.some(({ lead }) => lead === 'new')) ||
      openings.some(
        (opening) =>
          isBehindHinge(opening.record.place) && (opening.record.wiring.kind === 'noWires' || isNewWire(opening)),
      )),
  beltAnchors: (_job, openings) => openings.some(({ record }) => BELTED.has(record.place)),
  band: (job, openings) => !isRepairOnly(job) && openings.some(({ record }) => record.presence === 'fitted'),
};

function isRepairOnly({ goals }: PointJob): boolean {
  return goals !== null && goals.repair !== undefined && Object.keys(goals).length === 1;
}
