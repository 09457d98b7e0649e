/**
 * How loud the speakers of a car are to each other and to what was there, at the same setting of what feeds them: new against old, front against
 * rear, tweeter against woofer. By sensitivity, before the door, the glass and the seat have their say.
 */
import { type Place, placeLabel } from '../model';
import {
  type ChannelLoad,
  exactFilter,
  HEARD_DB,
  type Level,
  levelDifference,
  levelOf,
  linePartsWords,
  madeFilter,
  USUAL_FACTORY_LEVEL,
} from '../sound';
import { coverageFactor } from '../uncertainty';
import type { ChannelOpening, ChannelSheet } from './channelSheets';

export type LevelLine = {
  readonly id: string;
  /** Such as "Front door, left against before". */
  readonly what: string;
  /** By how much the first is louder, dB; null where nobody can say. */
  readonly db: number | null;
  readonly expandedDb: number | null;
  readonly sentence: string;
  /** What tells more, or evens it; null where nothing is to be done. */
  readonly next: string | null;
};

const FRONT: ReadonlySet<Place> = new Set(['frontDoorLow', 'frontDoorHigh', 'kickPanel', 'underSeat']);
const REAR: ReadonlySet<Place> = new Set(['rearDoor', 'rearDoorHigh', 'rearDeck', 'sidePanel', 'rearWall']);

type Placed = { readonly opening: ChannelOpening; readonly load: ChannelLoad; readonly sheet: ChannelSheet };

/** @param confidence one-sided, the shop's, between 0.5 and 1 exclusive */
export function levelLines(
  sheets: readonly ChannelSheet[],
  openings: readonly ChannelOpening[],
  confidence: number,
): readonly LevelLine[] {
  const byLabel = new Map(openings.map((opening) => [placeLabel(opening.record), opening]));
  const placed = sheets.flatMap((sheet) =>
    sheet.channel.loads.flatMap((load): Placed[] => {
      const opening = byLabel.get(load.label);
      return opening ? [{ opening, load, sheet }] : [];
    }),
  );
  const compare = new Comparing(coverageFactor(confidence, null, 0));
  return [
    ...placed.filter(({ load }) => load.isNew).map((each) => compare.againstBefore(each)),
    ...compare.tweeters(placed),
    ...compare.frontAgainstRear(placed),
  ];
}

class Comparing {
  /** @param factor from a standard uncertainty to the shop's interval */
  constructor(private readonly factor: number) {}

  againstBefore({ load, sheet, opening }: Placed): LevelLine {
    const what = `${load.label} against before`;
    const id = `before ${load.label}`;
    const level = levelOf(load);
    if (!level)
      return unknown(
        id,
        what,
        `Nobody says how sensitive the new one is.`,
        'Look for its sensitivity in dB, and whether at 1 W or at 2.83 V.',
      );
    if (load.kind === 'tweeter')
      return unknown(id, what, 'A tweeter is compared with its woofer, not with what was there.', null);
    if (opening.record.presence !== 'fitted')
      return unknown(
        id,
        what,
        'No speaker is known to have been there before: there is nothing to compare it with.',
        null,
      );
    const { db, expandedDb } = this.between(level, USUAL_FACTORY_LEVEL);
    const times = 10 ** (-db / 10);
    const power = sheet.record.power;
    const same =
      db >= 0
        ? db >= expandedDb
          ? 'The same loudness takes less power.'
          : 'The same loudness is likely to take less power.'
        : `The same loudness takes ${times.toFixed(1)} times the power${power ? `, of ${power.watt} W that are there` : ''}.`;
    return {
      ...{ id, what, db, expandedDb },
      sentence: `${louder(db, expandedDb, 'than factory speakers usually are')} ${same}`,
      next:
        db - expandedDb >= -HEARD_DB
          ? null
          : 'What was there is not measured: hear the baseline’s steps again after the work, at the same setting.',
    };
  }

  tweeters(placed: readonly Placed[]): readonly LevelLine[] {
    return placed.flatMap((tweeter) => {
      if (tweeter.load.kind !== 'tweeter' || !tweeter.load.isNew) return [];
      const woofer = placed.find(
        ({ load, opening }) =>
          load.isNew &&
          load.kind === 'component woofer' &&
          opening.record.side === tweeter.opening.record.side &&
          isFront(opening),
      );
      return woofer ? [this.tweeterAgainstWoofer(tweeter, woofer)] : [];
    });
  }

  frontAgainstRear(placed: readonly Placed[]): readonly LevelLine[] {
    const cones = placed.filter(({ load }) => load.kind !== 'tweeter' && load.kind !== null);
    const [front, rear] = [
      cones.filter(({ opening }) => isFront(opening)),
      cones.filter(({ opening }) => REAR.has(opening.record.place)),
    ];
    if (front.length === 0 || rear.length === 0 || ![...front, ...rear].some(({ load }) => load.isNew)) return [];
    const [id, what] = ['front rear', 'Front against rear'];
    if (new Set([...front, ...rear].map(({ sheet }) => sheet.record.fedBy)).size > 1)
      return [
        unknown(
          id,
          what,
          'They are fed by different sources, or by one nobody looked at: their gains are set apart.',
          'Set the gains by ear from the driver’s seat, the front first.',
        ),
      ];
    const { db, expandedDb } = this.between(loudest(front), loudest(rear));
    return [
      {
        ...{ id, what, db, expandedDb },
        sentence: `${louder(db, expandedDb, 'than the rear')}${[...front, ...rear].some(({ load }) => !levelOf(load)) ? ' What nobody rated is taken as factory speakers usually are.' : ''}`,
        next:
          Math.abs(db) + expandedDb <= 2 * HEARD_DB
            ? null
            : `The fader evens it: begin with it to the ${db > 0 ? 'rear' : 'front'}.`,
      },
    ];
  }

  private tweeterAgainstWoofer({ load: tweeter }: Placed, { load: woofer }: Placed): LevelLine {
    const what = `${tweeter.label} against ${woofer.label}`;
    const id = `tweeter ${tweeter.label}`;
    const [high, low] = [levelOf(tweeter), levelOf(woofer)];
    if (!high || !low)
      return unknown(
        id,
        what,
        `Nobody says how sensitive ${high ? woofer.label : tweeter.label} is.`,
        'Look for its sensitivity in dB, and whether at 1 W or at 2.83 V.',
      );
    const { db, expandedDb } = this.between(high, low);
    return {
      ...{ id, what, db, expandedDb },
      sentence: louder(db, expandedDb, 'than its woofer'),
      next: db > HEARD_DB ? padFor(db, tweeter) : null,
    };
  }

  private between(a: Level, b: Level): { readonly db: number; readonly expandedDb: number } {
    const { db, uncertaintyDb } = levelDifference(a, b);
    return { db, expandedDb: this.factor * uncertaintyDb };
  }
}

function padFor(db: number, { electrics: { nominalOhm } }: ChannelLoad): string {
  const asked = { highPass: null, lowPass: null, padDb: Math.round(db) };
  const level = `The level switch of its set, or a pad of ${asked.padDb} dB`;
  if (nominalOhm === null) return `${level}, evens it.`;
  const exact = exactFilter(asked, nominalOhm).pad;
  return exact ? `${level}, evens it: ${linePartsWords(madeFilter(asked, nominalOhm))}.` : `${level}, evens it.`;
}

/** What is not known is what factory speakers usually are; of several the loudest counts, for it is heard. */
function loudest(placed: readonly Placed[]): Level {
  return placed
    .map(({ load }) => levelOf(load) ?? USUAL_FACTORY_LEVEL)
    .reduce((best, each) => (each.db > best.db ? each : best));
}

function louder(db: number, expandedDb: number, than: string): string {
  const size = Math.abs(db);
  const doubt = ` ± ${expandedDb.toFixed(1)} dB`;
  if (size + expandedDb <= HEARD_DB) return `As loud as ${than.replace(/^than /, '')}, within what is heard${doubt}.`;
  return `${size.toFixed(1)}${doubt} ${db >= 0 ? 'louder' : 'quieter'} ${than}.`;
}

function unknown(id: string, what: string, sentence: string, next: string | null): LevelLine {
  return { id, what, db: null, expandedDb: null, sentence, next };
}

function isFront({ record: { place } }: ChannelOpening): boolean {
  return FRONT.has(place);
}
