/** Quieting: laid while the panel is off and the old speaker out, before the new one stands in the way. */
import { panelLabel, QUIETED_AREAS, QUIETED_SPOTS, type Quieted, quietedM2, spotsWords } from '../model';
import { MINUTES } from './minutes';
import { type PlanStep, stepOf } from './PlanStep';

/** @param after steps before it; nothing where no panel of this job comes off in front of it */
export function quietStep(quieted: Quieted, after: readonly string[] | null, begun: string): PlanStep {
  const { name, area, material, thicknessMm, lengthMm, widthMm, staysOpen, blocked, spots, marked } = quieted;
  const size = lengthMm === null || widthMm === null ? 'as far as a hand reaches' : `${lengthMm} × ${widthMm} mm`;
  const thick = thicknessMm === null ? '' : ` of ${thicknessMm} mm`;
  const areaWords = QUIETED_AREAS[area].toLowerCase();
  // The form proposes the place with its area as the name: said once is enough.
  const surface = name.toLowerCase().includes(areaWords) ? 'the surface' : areaWords;
  const area2 = quietedM2(quieted);
  return stepOf({
    ...{ id: quietId(quieted), where: panelLabel({ ...quieted, name: '' }) },
    side: /left$/i.test(quieted.spot) ? 'left' : /right$/i.test(quieted.spot) ? 'right' : null,
    what: [
      `Quieting, ${name}: ${surface} degreased and dry; ${material}${thick}, ${size}, laid and rolled down from its middle; a knock tells.`,
      ...(staysOpen ? [`Stays open: ${staysOpen}.`] : []),
      ...(blocked ? [`Not reached: ${blocked}.`] : []),
      ...(spots.some(({ what }) => QUIETED_SPOTS[what].isOpen)
        ? [
            `Cut out, with ${KEPT_MM} mm round it: ${spotsWords(spots.filter(({ what }) => QUIETED_SPOTS[what].isOpen))}.`,
          ]
        : []),
      ...(quieted.kind === 'doorCard' ? ['The film goes back with its sealant, as it was.'] : []),
    ].join(' '),
    from: `Quieting: ${name}`,
    marked: marked.length === 0 ? null : { kind: quieted.kind, spot: quieted.spot, at: marked },
    open: openOf(quieted, after !== null),
    tools: ['Degreaser', 'A roller', 'A knife', 'Gloves'],
    minutes: area2 === null ? MINUTES.quietDoor : MINUTES.quietReady + area2 * MINUTES.quietM2,
    cautions: [
      'Gloves: its foil cuts.',
      'Never over a drain, a clip’s hole, a screw’s, a wire or what moves.',
      ...(quieted.kind === 'doorCard'
        ? ['The film and the holes of the inner skin go back as they were: a side bag may feel the door’s pressure.']
        : []),
    ],
    after: after ?? [begun],
  });
}

/** So far a sheet stays off a hole that stays open, mm (common practice, no source). */
const KEPT_MM = 10;

export function quietId({ name }: Pick<Quieted, 'name'>): string {
  return `quieting ${name}`;
}

function openOf({ staysOpen, blocked, lengthMm, widthMm }: Quieted, isOpened: boolean): string | null {
  if (!isOpened) return 'No speaker of this job is behind that panel: it comes off for this alone.';
  if (staysOpen === null) return 'Look first which drains, clips, wires and moving parts stay free.';
  if (blocked === null) return 'Look first what keeps a hand away: a skin that stays riveted, a beam.';
  return lengthMm === null || widthMm === null ? 'Measure what can be reached.' : null;
}
