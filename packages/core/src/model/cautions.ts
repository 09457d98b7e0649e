/**
 * Prompts where the work can hurt. They defer to the vehicle maker's manual, local rules and licensed trades, and give
 * no figure of their own.
 */
import { besidesAt } from './besidesAt';
import { EARLIER_WORK } from './earlierWork';
import type { OpeningRecord } from './opening';
import { isInDoor, mayHoldAirbag } from './place';

const MAKERS_MANUAL = "The vehicle maker's manual decides.";

type Cautioned = Pick<OpeningRecord, 'place' | 'fixing' | 'behind' | 'secondPlug' | 'plugFaces' | 'earlier'>;

export function cautionsFor(record: Cautioned): readonly string[] {
  return [...coverCautions(record), ...speakerCautions(record)];
}

/** Before what is in front of it comes off. */
export function coverCautions({ place }: Pick<Cautioned, 'place'>): readonly string[] {
  const cautions: string[] = [];
  if (mayHoldAirbag(place)) {
    cautions.push(`Airbags and their wiring may run here: no cutting, drilling or glueing near them. ${MAKERS_MANUAL}`);
  }
  if (isInDoor(place)) {
    cautions.push(`A door may hold airbag sensors and yellow-marked plugs: leave them alone. ${MAKERS_MANUAL}`);
  }
  if (place === 'rearDeck' || place === 'sidePanel') {
    cautions.push(
      `If a seat-belt anchorage has to come off, its torque and thread lock come from the manual. ${MAKERS_MANUAL}`,
    );
  }
  return cautions;
}

/** Before the old speaker comes out. */
export function speakerCautions({
  fixing,
  behind,
  secondPlug,
  plugFaces,
  earlier,
}: Omit<Cautioned, 'place'>): readonly string[] {
  const cautions: string[] = [];
  if (behind === 'glass') cautions.push('Window fully up and held before anything is drilled.');
  if (fixing === 'rivets')
    cautions.push('Riveted: drilling out needs eye protection, and the mandrels have to be caught.');
  if (besidesAt({ secondPlug, plugFaces }).some(({ what }) => what === 'warning' || what === 'unexplained')) {
    cautions.push(
      'Warning sounds must not be lost. The maker and local rules decide whether the speaker may be changed at all.',
    );
  }
  return [...cautions, ...(earlier ?? []).flatMap((each) => EARLIER_WORK[each].caution ?? [])];
}
