/** What the new speaker's impedance does in the old one's place; nothing where it is as it was, or no speaker is there. */
import { coilOf, OLD_SPEAKER_NOT_TESTED, type OpeningRecord } from '@low-quarry/core/model';
import { impedanceChanges, impedanceWords } from '@low-quarry/core/sound';

type ImpedanceNoteProps = {
  readonly record: Pick<OpeningRecord, 'presence' | 'oldSpeaker'>;
  /** Nominal value of the new one, ohm. */
  readonly newOhm: number;
};

export function ImpedanceNote({ record: { presence, oldSpeaker }, newOhm }: ImpedanceNoteProps) {
  if (presence !== 'fitted') return null;
  const old = oldSpeaker ?? OLD_SPEAKER_NOT_TESTED;
  const changes = impedanceChanges(coilOf(old), old.nominalOhm, newOhm);
  const words = impedanceWords(changes, newOhm);
  if (words === null) return null;
  const isKnown = changes.some(({ kind }) => kind !== 'unknown');
  return <p className={isKnown ? 'font-semibold text-measure' : 'text-muted'}>{words}</p>;
}
