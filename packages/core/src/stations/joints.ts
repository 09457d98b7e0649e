/**
 * Which wires of a job are joined to one another, where, by what and how many joints that makes: two for a pair that is joined once, four for a
 * piece that is let into one. What plugs in is told too, and what nobody decided.
 */
import { capital } from '../firstLetter';
import type { CheckId } from '../fit';
import { listed } from '../listed';
import { type Channel, isInDash, isInDoor, type OpeningRecord, placeLabel, type SmallNeed } from '../model';
import type { CureId } from '../order';
import { lineJoints } from '../sound';
import { JOINTS, type JointSchool, type JointSpot, type JointWay, jointWayFor, staggerMm } from '../wiring';
import type { ChannelOpening, ChannelSheet } from './channelSheets';
import type { CrossedPlace } from './plannedChannels';

export type JointLine = {
  readonly id: string;
  /** Null where it is no opening's. */
  readonly openingId: string | null;
  /** Such as "Front door, left". */
  readonly what: string;
  /** 0 where everything plugs in; null where nobody decided how. */
  readonly count: number | null;
  /** Null where nothing is joined, or nobody knows what. */
  readonly way: JointWay | null;
  /** What somebody decided for this opening alone; null where it is as the shop joins wires. */
  readonly decided: JointWay | null;
  readonly sentence: string;
  /** What is to be looked at or decided; null where nothing is. */
  readonly next: string | null;
};

type Joined = {
  readonly what: string;
  readonly count: number;
  /** Whether both wires of a pair are joined at the same place, where their joints could touch. */
  readonly isPair: boolean;
  readonly isAtBench?: boolean;
};

/** What is done about a plug, or a wire that does not reach; null where the answer does not say how many wires are joined. */
const BY_CURE: Readonly<Partial<Record<CureId, Joined | null>>> = {
  loomCut: { what: 'Each wire of the cut plug to one of the speaker’s lead', count: 2, isPair: true },
  wiresJoined: { what: 'Each of the two wires to one of the speaker’s lead', count: 2, isPair: true },
  ownAdapter: { what: 'The plug’s two wires to those of the lead', count: 2, isPair: true, isAtBench: true },
  pigtailUsed: {
    ...{ what: 'The two wires of the old speaker’s connector to the new speaker’s lead', count: 2, isPair: true },
    isAtBench: true,
  },
  wireLengthened: { what: 'A piece let into both wires, with a joint at each of its ends', count: 4, isPair: true },
  housingChanged: { what: 'A new housing on the same terminals', count: 0, isPair: false },
  wiredOn: { what: 'The two wires that go on to those that come', count: 2, isPair: true },
  sounderKept: null,
  bothKept: null,
  makersWay: null,
};

/**
 * @param sheets the car's channels; none where nobody noted them
 * @param openings those whose lines something may be put into
 * @param worked those that a speaker goes into
 */
export function jointLines(
  sheets: readonly ChannelSheet[],
  openings: readonly JointOpening[],
  worked: readonly JointOpening[],
  school: JointSchool,
): readonly JointLine[] {
  return [
    ...worked.flatMap((opening) => speakerLines(opening, sheets, school)),
    ...openings.flatMap((opening) => filterLine(opening, school)),
    ...sheets.flatMap((sheet) => crossoverLines(sheet, worked, school)),
    ...(worked.length > 0 ? [...stayingLines(sheets, openings, school), ...bypassLines(sheets, school)] : []),
  ];
}

/** What has to be had for them, by the way they are joined. */
export function jointNeeds(lines: readonly JointLine[]): readonly SmallNeed[] {
  const ways = [...new Set(lines.flatMap(({ way }) => way ?? []))];
  return ways.map((way) => {
    const joined = lines.filter((line) => line.way === way);
    const count = joined.reduce((sum, line) => sum + (line.count ?? 0), 0);
    return {
      what: `${countedPieces(count, way)}, for the wires on both sides`,
      why: `${joined.map((line) => `${line.what}: ${line.count} joints`).join('; ')}.`,
    };
  });
}

/** With what somebody decided its wires are joined by. */
export type JointOpening = ChannelOpening & { readonly record: Pick<OpeningRecord, 'jointWay'> };

type Whose = Pick<JointLine, 'id' | 'openingId' | 'what' | 'decided'>;

function speakerLines(
  opening: JointOpening,
  sheets: readonly ChannelSheet[],
  school: JointSchool,
): readonly JointLine[] {
  const { id, record, state } = opening;
  if (state.kind !== 'chosen') return [];
  const what = placeLabel(record);
  const sheet = sheets.find(({ record: { places } }) => places.includes(what));
  const channel = sheet?.record;
  const crossed = sheet?.crossed.find(({ place }) => place === what);
  const done = state.open.flatMap(({ answer }) => (answer?.kind === 'cure' ? [answer] : []));
  const isNewWire = crossed
    ? crossed.output.lead === 'new'
    : channel?.wire === 'new' || done.some(({ cure }) => cure === 'newWire');
  const whose = { openingId: id, what, decided: record.jointWay };
  const plug = { ...whose, id: `plug ${id}` };
  const others = done.filter(({ check }) => check !== 'connector' || !isNewWire);
  return [
    ...(isNewWire ? [crossed ? outputLine(plug, crossed) : newWireLine(plug, channel?.fedBy ?? null, school)] : []),
    ...(!isNewWire && !done.some(({ check }) => check === 'connector') ? [plugLine(plug, state.open)] : []),
    ...others.flatMap(({ check, cure, words }) =>
      cureLine({ ...whose, id: `${check} ${id}` }, cure, words, spotOf(record), school),
    ),
  ];
}

/** Where a lead plugs in, or nobody decided what is done where none does. */
function plugLine(whose: Whose, open: readonly { readonly check: CheckId }[]): JointLine {
  const none = { ...whose, way: null };
  if (!open.some(({ check }) => check === 'connector'))
    return { ...none, count: 0, sentence: 'The lead plugs in: nothing is cut, nothing joined.', next: null };
  return {
    ...{ ...none, count: null },
    sentence: 'Nothing plugs in here, and nobody decided how its wires are joined.',
    next: 'Decide it where the speaker was chosen.',
  };
}

function cureLine(
  whose: Whose,
  cure: CureId,
  words: string,
  spot: JointSpot,
  school: JointSchool,
): readonly JointLine[] {
  const joined = BY_CURE[cure];
  if (joined === undefined) return [];
  if (joined?.count === 0)
    return [{ ...whose, count: 0, way: null, sentence: `${joined.what}: nothing is joined.`, next: null }];
  if (joined !== null) return [lineOf(whose, joined, joined.isAtBench ? 'bench' : spot, school)];
  return [
    {
      ...{ ...whose, count: null, way: null },
      sentence: `What has to go on sounding is kept so: “${words}”. How many wires are joined for it nobody noted.`,
      next: 'Count them where it is done, and tug each.',
    },
  ];
}

/** Where new wire begins: behind what feeds it now, or in an added amplifier's terminals. */
function newWireLine(whose: Whose, fedBy: Channel['fedBy'], school: JointSchool): JointLine {
  if (fedBy === null)
    return {
      ...{ ...whose, count: null, way: null },
      sentence: 'A new pair is run, and nobody noted what feeds it: where it begins is not known.',
      next: 'Note with the vehicle which channel feeds it.',
    };
  if (fedBy === 'addedAmplifier')
    return {
      ...{ ...whose, count: 0, way: null },
      sentence:
        'The new pair begins in the added amplifier’s terminals and ends on the speaker’s: nothing is joined. It gets its terminals once it is pulled.',
      next: null,
    };
  const isRadio = fedBy === 'radio';
  const source = isRadio ? 'radio' : 'maker’s amplifier';
  const joined = { what: `The new pair to the two wires behind the ${source}`, count: 2, isPair: true };
  return lineOf(whose, joined, isRadio ? 'dash' : 'other', school);
}

function outputLine(whose: Whose, { crossover: { name } }: CrossedPlace): JointLine {
  return {
    ...{ ...whose, count: 0, way: null },
    sentence: `Its own wire begins in the terminals of crossover ${name} and ends on the speaker’s: nothing is joined. It gets its terminals once it is pulled.`,
    next: null,
  };
}

/**
 * Where a crossover is let into wires that are there: at a fork, and away from the door, the car's pair is cut for what goes in, and each output that
 * goes on by the car's own wire is joined to it. Otherwise in the door the lead of the plug goes into its terminals.
 */
function crossoverLines(
  { crossed, record: { wire, name: channel } }: ChannelSheet,
  worked: readonly JointOpening[],
  school: JointSchool,
): readonly JointLine[] {
  const labels = new Set(worked.filter(({ state }) => state.kind === 'chosen').map(({ record }) => placeLabel(record)));
  const boxes = new Set(crossed.filter(({ place }) => labels.has(place)).map(({ crossover }) => crossover));
  return [...boxes].map((box): JointLine => {
    const whose = { id: `crossover ${box.name}`, openingId: null, what: `Crossover ${box.name}`, decided: null };
    const none = { ...whose, count: null, way: null };
    const { at, isAtFork } = box;
    if (at === null)
      return {
        ...none,
        sentence: 'Nobody decided where it lies, and so not which wires are cut for it.',
        next: 'Decide it above.',
      };
    const own = crossed.filter(({ crossover, output }) => crossover === box && output.lead === 'factory');
    const isLetIn = wire !== 'new' && (at !== 'door' || isAtFork);
    const isJoined = at !== 'door' || isAtFork;
    const pairs = (isLetIn ? 1 : 0) + (isJoined ? own.length : 0);
    if (pairs === 0)
      return {
        ...{ ...whose, count: 0, way: null },
        sentence:
          'What leads to it and on from it goes into its own terminals: nothing is joined. Which is in and which is out its sheet says.',
        next: null,
      };
    const what = [
      ...(isLetIn ? [`the wires of channel ${channel} to what goes in`] : []),
      ...(!isJoined
        ? []
        : own.map(({ place, output }) => `the ${output.to}’s output to the car’s own pair to ${place}`)),
    ];
    const joined = { what: capital(listed(what)), count: 2 * pairs, isPair: true };
    return lineOf(whose, joined, at === 'dash' ? 'dash' : at === 'door' ? 'door' : 'other', school);
  });
}

/** Whether the speaker behind it is new or stays. */
function filterLine({ id, record }: JointOpening, school: JointSchool): readonly JointLine[] {
  if (record.lineFilter === null) return [];
  const joined = {
    what: 'What lies in the line before its speaker',
    count: lineJoints(record.lineFilter),
    isPair: false,
  };
  const whose = { id: `filter ${id}`, openingId: id, what: placeLabel(record), decided: record.jointWay };
  return [lineOf(whose, joined, spotOf(record), school)];
}

/** Past an amplifier new wire also leads to speakers that stay: it ends at the leads that they have. */
function stayingLines(
  sheets: readonly ChannelSheet[],
  openings: readonly JointOpening[],
  school: JointSchool,
): readonly JointLine[] {
  const fedAnew = sheets.filter(({ isBypassed, record }) => isBypassed && record.wire === 'new');
  const places = new Set(fedAnew.flatMap(({ record }) => record.places));
  const joined = { what: 'The new pair to the two wires of the speaker that stays', count: 2, isPair: true };
  return openings
    .filter(({ record, state }) => state.kind !== 'chosen' && record.presence === 'fitted')
    .filter(({ record }) => places.has(placeLabel(record)))
    .map(({ id, record }) =>
      lineOf(
        { id: `stays ${id}`, openingId: id, what: placeLabel(record), decided: record.jointWay },
        joined,
        spotOf(record),
        school,
      ),
    );
}

/** At the plug of an amplifier that is bypassed: what feeds its channels now to what leads on, a pair for each place. */
function bypassLines(sheets: readonly ChannelSheet[], school: JointSchool): readonly JointLine[] {
  const bypassed = sheets.filter(({ isBypassed, record }) => isBypassed && record.wire !== 'new');
  if (bypassed.length === 0) return [];
  const unknown = bypassed.filter(({ record: { places, feeds } }) => places.length === 0 || feeds !== '');
  const pairs = bypassed.reduce((sum, { record: { places } }) => sum + places.length, 0);
  const whose = { id: 'bypass', openingId: null, what: 'Past the maker’s amplifier', decided: null };
  if (unknown.length > 0)
    return [
      {
        ...{ ...whose, count: null, way: null },
        sentence: `At its plug each pair that leads on is joined, and nobody noted how many lead on from ${unknown.map(({ record }) => record.name).join(', ')}.`,
        next: 'Count the pairs at the amplifier’s plug: two joints each.',
      },
    ];
  const joined = { what: 'At its plug, each pair that leads on to what feeds it now', count: 2 * pairs, isPair: true };
  return [lineOf(whose, joined, 'other', school)];
}

function lineOf(whose: Whose, { what, count, isPair }: Joined, spot: JointSpot, school: JointSchool): JointLine {
  const { way, instead } = jointWayFor(school, spot, whose.decided);
  const { stripMm, how } = JOINTS[way];
  const bench = spot === 'bench' ? ', at the bench' : '';
  const apart = isPair
    ? `One wire is cut ${staggerMm(way)} mm shorter than the other, so that two joints cannot touch.`
    : null;
  const told = `${what}${bench}: ${countedPieces(count, way)}. Strip ${stripMm} mm; ${how}.`;
  return { ...whose, count, way, sentence: [told, apart, instead].filter(Boolean).join(' '), next: null };
}

function countedPieces(count: number, way: JointWay): string {
  return `${count} ${count === 1 ? JOINTS[way].piece : JOINTS[way].pieces}`;
}

function spotOf({ place }: Pick<OpeningRecord, 'place'>): JointSpot {
  if (isInDash(place)) return 'dash';
  return isInDoor(place) ? 'door' : 'other';
}
