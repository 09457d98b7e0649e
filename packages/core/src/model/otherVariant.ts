/**
 * A variant that begins as another one of the same body: its openings with what a trim or an audio package changes set back to "not
 * looked". Which speakers, plugs and airbags a car came with is decided by what was ordered; its sheet metal is not.
 */
import { asCarried } from './asCarried';
import { factsOfOtherVariant } from './carFacts';
import { type Grade, isSomebodysWord } from './grade';
import type { OpeningRecord } from './opening';
import { POLARITY_NOT_KNOWN } from './polarity';
import { type Variant, type VehicleRecord, vehicleName, yearsOverlap, yearsWords } from './vehicle';

/** What is set back, for a person to read. */
export const SET_BACK_WORDS =
  'what is fitted at each place, its plugs, airbags at its cover, what hangs on its panels, its channels, the plugs of radio and amplifier, what feeds and sounds through its speakers, and what is tried of the car';

export function openingsOfOtherVariant({ openings }: Pick<VehicleRecord, 'openings'>): readonly OpeningRecord[] {
  return openings.map((opening) => ({
    ...asCarried(opening),
    presence: 'notLooked',
    wiring: { kind: 'unknown' },
    secondPlug: 'notLooked',
    plugFaces: [],
    polarity: POLARITY_NOT_KNOWN,
    airbag: 'notLooked',
  }));
}

/** Beside its openings: what holds a panel and where there is room is its sheet metal; what hangs on it and which channels there are is what was ordered. */
export function aroundOfOtherVariant({
  panels,
  spaces,
  routes,
  facts,
}: Pick<VehicleRecord, 'panels' | 'spaces' | 'routes' | 'facts'>): Pick<
  VehicleRecord,
  'panels' | 'spaces' | 'routes' | 'channels' | 'devicePlugs' | 'facts'
> {
  const carried = <Each extends { readonly grade: Grade }>(each: Each): Each => ({
    ...each,
    grade: isSomebodysWord(each.grade) ? 'otherCar' : each.grade,
  });
  return {
    panels: panels.map((panel) => carried({ ...panel, attached: null })),
    spaces: spaces?.map(carried) ?? null,
    routes: routes?.map(carried) ?? null,
    channels: null,
    devicePlugs: null,
    facts: factsOfOtherVariant(facts),
  };
}

type Compared = Pick<Variant, 'make' | 'model' | 'years' | 'trim' | 'audioPackage' | 'steeringSide' | 'market'>;

/**
 * Why what is carried over from one variant may not hold on another, the gravest first; common practice, no source. What nobody knows of
 * either may differ too, and is said.
 *
 * @param from whose measurements they are
 */
export function carriedOverDoubts(from: Compared, now: Compared): readonly string[] {
  const isOther = (key: 'trim' | 'audioPackage' | 'market') => from[key].toLowerCase() !== now[key].toLowerCase();
  const isAnotherModel = vehicleName(from).toLowerCase() !== vehicleName(now).toLowerCase();
  const areYearsKnown = from.years.from !== null && now.years.from !== null;
  const doubts: readonly (string | false)[] = [
    isAnotherModel && `It is a ${vehicleName(from)}: nothing of it is known to be the same but what you see on both.`,
    areYearsKnown
      ? !yearsOverlap(from.years, now.years) &&
        `Built ${yearsWords(from.years)}: at a change of the model holes, panels and plugs change with it.`
      : 'The years of one of them are not known: a change of the model may lie between.',
    from.steeringSide !== now.steeringSide &&
      'Steering on the other side: the dash is another, and what stands behind the front openings changes sides.',
    isOther('market') &&
      'For another market: other audio packages, other plugs, and sometimes holes where this one has blanks.',
    isOther('trim') && 'Another trim: which openings have speakers and wires is decided by it.',
    isOther('audioPackage') &&
      'Another audio package: baskets and brackets, and with them holes and depths, may be others.',
  ];
  return doubts.filter((doubt) => doubt !== false);
}
