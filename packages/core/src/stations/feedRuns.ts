/** What feeds the amplifiers that are added: one cable from the battery, or a main to a distributor and a branch to each. */
import type { Route, Stowed } from '../model';
import { FUSE_WITHIN_CM, gaugeOfArea, type PowerTree, powerFeed, powerTree } from '../wiring';
import type { ChannelSheet } from './channelSheets';
import type { WireRun } from './WireRun';
import { isSame, metres, wayBetween } from './ways';

/** @param worked places that something is done at */
export function feedRuns(
  sheets: readonly ChannelSheet[],
  worked: ReadonlySet<string>,
  routes: readonly Route[],
  stowed: readonly Stowed[],
): readonly WireRun[] {
  const amplifiers = stowed.filter(({ kind }) => kind === 'amplifier');
  const now = amplifiers.filter(({ isLater }) => !isLater);
  const distributors = stowed.filter(({ kind }) => kind === 'distributor');
  const [distributor, another] = distributors;
  if (distributor && another && now.length > 0)
    return [
      {
        ...{ id: 'feed', what: 'The amplifiers’ feed', need: null },
        sentence: `${distributors.map(({ name }) => name).join(' and ')}: which amplifier hangs on which distributor is not asked here, and so no cable follows.`,
        next: 'Follow the amplifiers’ own sheets, or note one distributor.',
      },
    ];
  if (distributor && now.length > 0) return treeRuns(distributor, amplifiers, routes);
  if (now.length > 1)
    return [
      {
        ...{ id: 'feed', what: 'The amplifiers’ feed', need: null },
        sentence: `${now.length} amplifiers are put in: one main leads to a distributor, and a branch to each.`,
        next: 'Note the distributor among the boxes, with its space.',
      },
    ];
  const [amplifier = null] = now;
  return feedRun(sheets, worked, feedRoutes(routes, stowed), amplifier).map((run) =>
    amplifiers.length > now.length ? { ...run, next: [run.next, FOR_LATER].filter(Boolean).join(' ') } : run,
  );
}

const FOR_LATER =
  'Another amplifier comes later: a main that is sized for both is pulled once; note a distributor among the boxes.';
const SHEETS_FIRST =
  'The amplifiers’ own sheets go before: their fuses, their cables, their earths. Copper-clad aluminium carries less; a lorry has 24 V.';

/** Sized for all of them, later ones too: a main is not pulled twice. */
function treeRuns(distributor: Stowed, amplifiers: readonly Stowed[], routes: readonly Route[]): readonly WireRun[] {
  const [id, what] = ['feed', `From the battery to ${distributor.name}`];
  const open = (sentence: string, next: string): readonly WireRun[] => [{ id, what, need: null, sentence, next }];
  const unrated = amplifiers.filter(({ rmsW }) => rmsW === null);
  if (unrated.length > 0)
    return open(
      `Main and branches follow from the RMS power of all channels, and nobody says that of ${unrated.map(({ name }) => name).join(', ')}.`,
      'Look at its sheet, and note it with the box.',
    );
  const missing = [
    ...(wayBetween(routes, 'battery', distributor.space) === null ? [`from “battery” to “${distributor.space}”`] : []),
    ...amplifiers
      .filter(({ space }) => branchM(routes, distributor, space) === null)
      .map(({ space }) => `from “${distributor.space}” to “${space}”`),
  ];
  const unplaced = [distributor, ...amplifiers].filter(({ space }) => space === '').map(({ name }) => name);
  if (unplaced.length > 0)
    return open(
      `Nobody chose where ${unplaced.join(' and ')} goes, and so not how far the cables lead.`,
      'Choose it among the boxes.',
    );
  if (missing.length > 0)
    return open(
      'Nobody measured all of the ways.',
      `Lay a string, and note with the vehicle a way ${missing.join(', and one ')}.`,
    );
  const mainM = wayBetween(routes, 'battery', distributor.space) as number;
  const asked = amplifiers.map(({ rmsW, space }) => ({
    watt: rmsW as number,
    lengthM: branchM(routes, distributor, space) as number,
  }));
  const watt = asked.reduce((sum, each) => sum + each.watt, 0);
  const tree = powerTree(mainM, asked);
  if (tree === null)
    return open(
      `${watt} W RMS over ${metres(mainM)} and on are more than one main carries, or lose more than half a volt on the way.`,
      'Lay the distributor closer to the amplifiers, or feed them by two mains; their own sheets go before.',
    );
  return [
    mainRun(tree, mainM, watt, distributor),
    ...amplifiers.map((each, at) => branchRun(tree, at, each, asked[at]?.lengthM ?? 0)),
  ];
}

/** In one space with the distributor it is beside it. */
function branchM(routes: readonly Route[], { space: from }: Stowed, to: string): number | null {
  return from !== '' && isSame(from, to) ? BESIDE_M : wayBetween(routes, from, to);
}
const BESIDE_M = 0.5;

function mainRun({ main }: PowerTree, mainM: number, watt: number, { name, space }: Stowed): WireRun {
  const { ampere, areaMm2, fuseA, dropV } = main;
  const cable = cableWords(areaMm2);
  return {
    ...{ id: 'feed', what: `From the battery to ${name}` },
    need: {
      what: `${metres(mainM)} of cable, ${cable}, and a fuse of ${fuseA} A with its holder`,
      why: `The main: ${watt} W RMS from the battery to ${space}.`,
    },
    sentence: `${watt} W RMS of all together take about ${Math.round(ampere)} A at 12 V: ${cable}, ${metres(mainM)}, loses ${dropV.toFixed(2)} V; a fuse of ${fuseA} A within ${FUSE_WITHIN_CM} cm of the battery protects it.`,
    next: SHEETS_FIRST,
  };
}

/** What comes later is counted in the main, and its own branch is not bought yet. */
function branchRun({ branches, main }: PowerTree, at: number, { name, isLater }: Stowed, lengthM: number): WireRun {
  const branch = branches[at];
  if (!branch) throw new Error(`branchRun: expected a branch for each amplifier, got ${branches.length}`);
  const { ampere, areaMm2, fuseA, isFused, wholeDropV } = branch;
  const cable = cableWords(areaMm2);
  const fuse = isFused
    ? `a fuse of ${fuseA} A in the distributor, where the cable gets thinner`
    : `the main’s fuse of ${main.fuseA} A protects it as well`;
  return {
    ...{ id: `feed ${name}`, what: `To ${name}${isLater ? ', later' : ''}` },
    need: isLater
      ? null
      : {
          what: `${metres(lengthM)} of cable, ${cable}${isFused ? `, and a fuse of ${fuseA} A for the distributor` : ''}`,
          why: `The branch to ${name}.`,
        },
    sentence: `About ${Math.round(ampere)} A: ${cable}, ${metres(lengthM)}; ${fuse}. From the battery on it loses ${wholeDropV.toFixed(2)} V.`,
    next: null,
  };
}

function cableWords(areaMm2: number): string {
  return `${areaMm2} mm² (${gaugeOfArea(areaMm2)}) of copper`;
}

/** Of several ways from the battery, the one to where the amplifier goes. */
function feedRoutes(routes: readonly Route[], stowed: readonly Stowed[]): readonly Route[] {
  const amplifiers = stowed.filter(({ kind, isLater, space }) => kind === 'amplifier' && !isLater && space !== '');
  const toThem = routes.filter(
    ({ from, to }) => isSame(from, 'battery') && amplifiers.some(({ space }) => isSame(to, space)),
  );
  return toThem.length > 0 ? toThem : routes;
}

/**
 * One feed for whatever was added. Where no pair of it is run new, and no amplifier is noted that is put in, it is in the car already, and its
 * feed is to be looked at rather than bought.
 *
 * @param amplifier that is put in; its own power goes before that of its channels
 */
function feedRun(
  sheets: readonly ChannelSheet[],
  worked: ReadonlySet<string>,
  routes: readonly Route[],
  amplifier: Stowed | null,
): readonly WireRun[] {
  const fed = sheets.filter(({ record: { fedBy } }) => fedBy === 'addedAmplifier');
  const fresh = fed.filter(({ channel: { loads } }) => loads.some(({ isNew, label }) => isNew && worked.has(label)));
  if (fresh.length === 0 && amplifier === null) return [];
  const added = fed.map(({ record }) => record);
  const isNew = amplifier !== null || fresh.some(({ record: { wire }, isBypassed }) => wire === 'new' || isBypassed);
  const [id, what] = ['feed', 'The added amplifier’s feed'];
  const ownW = amplifier?.rmsW ?? null;
  const unrated = ownW === null ? added.filter(({ power }) => power?.rating !== 'RMS').map(({ name }) => name) : [];
  const unsaid = ownW === null && added.length === 0 && amplifier ? [amplifier.name] : unrated;
  if (unsaid.length > 0)
    return [
      {
        ...{ id, what, need: null },
        sentence: `Cable and fuse follow from the RMS power of all of its channels, and nobody says that of ${unsaid.join(', ')}.`,
        next: 'Look at the amplifier’s sheet: its fuses and the cable that it asks for stand there too, and go before.',
      },
    ];
  const watt = ownW ?? added.reduce((sum, { power }) => sum + (power?.watt ?? 0), 0);
  const ways = routes.filter(({ from, lengthMm }) => isSame(from, 'battery') && lengthMm !== null);
  if (ways.length > 1)
    return [
      {
        ...{ id, what, need: null },
        sentence: `${watt} W RMS come from the battery, and several ways begin there: to ${ways.map(({ to }) => to).join('; to ')}.`,
        next: 'Note the amplifier among the boxes, with the space that one of them ends at.',
      },
    ];
  const [way] = ways;
  if (!way?.lengthMm)
    return [
      {
        ...{ id, what, need: null },
        sentence: `${watt} W RMS come from the battery, and nobody measured the way there.`,
        next: 'Lay a string from the battery to where the amplifier goes, and note it with the vehicle as a way that begins at “battery”.',
      },
    ];
  const lengthM = way.lengthMm / 1000;
  const feed = powerFeed(watt, lengthM);
  if (!feed)
    return [
      {
        ...{ id, what, need: null },
        sentence: `${watt} W RMS over ${metres(lengthM)} are more than one cable carries.`,
        next: 'Follow the amplifiers’ own sheets: one main to a distributor, a fuse wherever the gauge drops.',
      },
    ];
  const { ampere, areaMm2, fuseA, dropV } = feed;
  const cable = cableWords(areaMm2);
  return [
    {
      ...{ id, what },
      need: !isNew
        ? null
        : {
            what: `${metres(lengthM)} of cable, ${cable}, and a fuse of ${fuseA} A with its holder`,
            why: `${what}: ${watt} W RMS from the battery to ${way.to}.`,
          },
      sentence: `${watt} W RMS take about ${Math.round(ampere)} A at 12 V: ${cable} from battery to ${way.to}, ${metres(lengthM)}, loses ${dropV.toFixed(2)} V; a fuse of ${fuseA} A within ${FUSE_WITHIN_CM} cm of the battery protects the cable.`,
      next: isNew
        ? 'The amplifier’s own sheet goes before: its fuse, its cable, its earth. Copper-clad aluminium carries less; a lorry has 24 V.'
        : 'It is in the car already: look whether its cable is no thinner, and its fuse no larger than its cable stands.',
    },
  ];
}
