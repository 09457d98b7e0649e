/** What stands in front of the metal while somebody measures: depths and gap may be read from it, and the program does the sums. */

import type { OpeningRecord } from '@low-quarry/core/model';
import { FRONT_FACES, type FrontFace, MOST_FACE_MM } from '@low-quarry/core/model';
import { FACE_WORDS } from '../../text/words';
import { Choice } from '../../ui/Choice';
import { NotedLengthField } from './NotedLengthField';
import { guessed } from './surroundings';

type FaceFieldsProps = {
  readonly faces: OpeningRecord['faces'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (faces: OpeningRecord['faces']) => void;
};

/** As far as most rings stand, until somebody measures it, mm. */
const USUAL_MM = 6;

export function FaceFields({ faces, errorAt, onChange }: FaceFieldsProps) {
  const noted = FRONT_FACES.find((face) => faces[face] !== null) ?? null;
  const error = FRONT_FACES.map((face) => errorAt(`record.faces.${face}`)).find((each) => each !== null) ?? null;
  const choose = (face: FrontFace | null) =>
    onChange({
      keptRing: face === 'keptRing' ? (faces.keptRing ?? guessed(USUAL_MM)) : null,
      oldMount: face === 'oldMount' ? (faces.oldMount ?? guessed(USUAL_MM)) : null,
    });
  const standing = noted && faces[noted];
  return (
    <div className="mt-3 grid gap-3 sm:grid-cols-2">
      <Choice
        label="In front of the metal while measuring"
        hint="What the stick is held against: it is taken off the depths and added to the gap."
        value={noted ?? 'nothing'}
        error={noted ? null : error}
        options={[
          ['nothing', 'Nothing: read from the metal'],
          ...FRONT_FACES.map((face) => [face, FACE_WORDS[face]] as const),
        ]}
        onChange={(value) => choose(value === 'nothing' ? null : value)}
      />
      {noted && standing && (
        <NotedLengthField
          label={`${FACE_WORDS[noted]} to the metal`}
          hint="How far its cabin face, where the stick is held, stands in front."
          length={standing}
          most={MOST_FACE_MM}
          error={error}
          onChange={({ from: _, ...length }) => onChange({ ...faces, [noted]: length })}
        />
      )}
    </div>
  );
}
