/** A length that belongs to a place and not to a name: what was read, and with what. */

import type { OpeningRecord } from '@low-quarry/core/model';
import { FACES, meanMm, SOURCE_IDS, SOURCES } from '@low-quarry/core/model';
import { FACE_WORDS } from '../../text/words';
import { Choice } from '../../ui/Choice';
import { NumberField } from '../../ui/NumberField';
import { type NotedLength, noted, usualFace, withFace, withSource } from './surroundings';

type NotedLengthFieldProps = {
  readonly label: string;
  readonly hint: string;
  readonly length: NotedLength;
  /** mm; as deep as a door when left out. */
  readonly most?: number;
  /** What it may have been read from; left out where that makes no difference. */
  readonly faces?: OpeningRecord['faces'];
  readonly error: string | null;
  readonly onChange: (length: NotedLength) => void;
};

const MOST_MM = 400;
const NO_FACES: OpeningRecord['faces'] = { keptRing: null, oldMount: null };

export function NotedLengthField({
  label,
  hint,
  length,
  most = MOST_MM,
  faces = NO_FACES,
  error,
  onChange,
}: NotedLengthFieldProps) {
  const usual = usualFace(faces);
  return (
    <>
      <NumberField
        label={label}
        hint={hint}
        kind="length"
        value={meanMm(length)}
        least={0}
        most={most}
        error={error}
        onChange={(valueMm, typed) => onChange(noted(length, valueMm, typed, usual))}
      />
      <Choice
        label={`${label}, taken with`}
        value={length.source}
        options={SOURCE_IDS.map((source) => [source, SOURCES[source].label])}
        onChange={(source) => onChange(withSource(length, source))}
      />
      {(usual !== 'metal' || length.from) && (
        <Choice
          label={`${label}, read from`}
          value={length.from ?? 'metal'}
          options={FACES.map((face) => [face, FACE_WORDS[face]])}
          onChange={(face) => onChange(withFace(length, face))}
        />
      )}
    </>
  );
}
