/** Beams, rails, wires and whatever else stands behind the hole: where, how deep, how thick, which way it runs. */
import { capital } from '@low-quarry/core/firstLetter';
import { OBSTACLE_KINDS } from '@low-quarry/core/fit';
import type { ObstacleRecord, OpeningRecord } from '@low-quarry/core/model';
import { OBSTACLE_WORDS } from '../../text/words';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field, INPUT } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { FieldsAt } from '../../ui/unreadNumbers';
import { NotedLengthField } from './NotedLengthField';
import { PlaceFields } from './PlaceFields';
import { newObstacle, obstacleId, toShape } from './surroundings';

type ObstacleFieldsProps = {
  readonly obstacles: readonly ObstacleRecord[];
  readonly faces: OpeningRecord['faces'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (obstacles: ObstacleRecord[]) => void;
};

const MOST = 12;
const OF_METAL = 'Asked to keep the clearance of metal.';
const CLEARANCE_HINTS: Readonly<Record<ObstacleRecord['kind'], string>> = {
  beam: OF_METAL,
  rail: OF_METAL,
  skin: OF_METAL,
  other: OF_METAL,
  wiring: 'Asked to keep the clearance of wiring.',
  soft: 'Asked for no air: it may be pressed in as far as it gives.',
};

export function ObstacleFields({ obstacles, faces, errorAt, onChange }: ObstacleFieldsProps) {
  return (
    <>
      {obstacles.map((obstacle, at) => (
        <FieldsAt key={obstacle.id} place={`obstacle ${obstacle.id}`}>
          <OneObstacle
            obstacle={obstacle}
            faces={faces}
            errorAt={(path) => errorAt(`record.obstacles.${at}.${path}`)}
            onChange={(changes) =>
              onChange(obstacles.map((each, index) => (index === at ? { ...each, ...changes } : each)))
            }
            idFor={(kind) => obstacleId(kind, obstacles)}
            onRemove={() => onChange(obstacles.filter((_, index) => index !== at))}
          />
        </FieldsAt>
      ))}
      {obstacles.length < MOST && (
        <Button className="self-start" onClick={() => onChange([...obstacles, newObstacle(obstacles)])}>
          Add a beam, rail or wire
        </Button>
      )}
    </>
  );
}

type OneObstacleProps = {
  readonly obstacle: ObstacleRecord;
  readonly faces: OpeningRecord['faces'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (changes: Partial<ObstacleRecord>) => void;
  readonly idFor: (kind: ObstacleRecord['kind']) => string;
  readonly onRemove: () => void;
};

function OneObstacle({ obstacle, faces, errorAt, onChange, idFor, onRemove }: OneObstacleProps) {
  const { label, kind, xMm, yMm, depth, placeHalfWidthMm, angleDeg, tiltDeg, givesMm, shape, thisSideOnly } = obstacle;
  return (
    <fieldset className="grid gap-3 border border-hairline p-3 sm:grid-cols-2">
      <legend className="px-1 font-semibold">{label}</legend>
      <Choice
        label="What it is"
        value={kind}
        options={OBSTACLE_KINDS.map((each) => [each, capital(OBSTACLE_WORDS[each])])}
        hint={CLEARANCE_HINTS[kind]}
        onChange={(next) =>
          // A name that was never changed goes with the kind.
          onChange({
            kind: next,
            id: idFor(next),
            ...(label === OBSTACLE_WORDS[kind] ? { label: OBSTACLE_WORDS[next] } : {}),
          })
        }
      />
      <Field label="Its name" error={label === '' ? 'Nothing was typed. Type a name such as "crash beam".' : null}>
        {(ids) => (
          <input
            {...ids}
            data-number
            value={label}
            maxLength={60}
            autoComplete="off"
            onChange={({ target }) => onChange({ label: target.value })}
            className={INPUT}
          />
        )}
      </Field>
      <NotedLengthField
        label="Depth to it"
        hint="From the metal the speaker is screwed to, straight in, to its nearest place."
        length={depth}
        faces={faces}
        error={errorAt('depth.readingsMm.0')}
        onChange={(next) => onChange({ depth: next })}
      />
      <PlaceFields of="that nearest place" xMm={xMm} yMm={yMm} onChange={onChange} />
      <NumberField
        label="Its place may be off by"
        kind="length"
        least={0}
        most={100}
        value={placeHalfWidthMm}
        onChange={(value) => onChange({ placeHalfWidthMm: value })}
      />
      <Choice
        label="Shape"
        value={shape.kind}
        options={[
          ['rod', 'Round, across the whole door'],
          ['box', 'Box'],
        ]}
        onChange={(next) => onChange({ shape: toShape(next, shape) })}
      />
      <ShapeFields shape={shape} onChange={(next) => onChange({ shape: next })} />
      {kind === 'soft' && (
        <NumberField
          label="It gives"
          hint="How far it may be pressed in without harm."
          kind="length"
          least={0}
          most={60}
          value={givesMm}
          onChange={(value) => onChange({ givesMm: value })}
        />
      )}
      <NumberField
        label="Runs at"
        hint="Against the level, anticlockwise as seen from the cabin."
        kind="angle"
        least={-180}
        most={180}
        value={angleDeg}
        onChange={(value) => onChange({ angleDeg: value })}
      />
      <NumberField
        label="Gets deeper at"
        hint="Along its length; 0 stays as deep."
        kind="angle"
        least={-80}
        most={80}
        value={tiltDeg}
        onChange={(value) => onChange({ tiltDeg: value })}
      />
      <label className="flex min-h-12 items-center gap-3 sm:col-span-2">
        <input
          type="checkbox"
          className="size-6"
          checked={thisSideOnly}
          onChange={({ target }) => onChange({ thisSideOnly: target.checked })}
        />
        On this side of the vehicle only
      </label>
      <Button kind="quiet" className="justify-self-start" onClick={onRemove}>
        Remove {label || 'it'}
      </Button>
    </fieldset>
  );
}

type Shape = ObstacleRecord['shape'];

function ShapeFields({ shape, onChange }: { readonly shape: Shape; readonly onChange: (shape: Shape) => void }) {
  if (shape.kind === 'rod') {
    return (
      <NumberField
        label="Diameter"
        kind="length"
        least={1}
        most={200}
        value={shape.diameterMm}
        onChange={(diameterMm) => onChange({ ...shape, diameterMm })}
      />
    );
  }
  return (
    <>
      <NumberField
        label="Length"
        kind="length"
        least={1}
        most={2000}
        value={shape.lengthMm}
        onChange={(lengthMm) => onChange({ ...shape, lengthMm })}
      />
      <NumberField
        label="Height across it"
        kind="length"
        least={1}
        most={2000}
        value={shape.widthMm}
        onChange={(widthMm) => onChange({ ...shape, widthMm })}
      />
      <NumberField
        label="Thickness, into the door"
        kind="length"
        least={1}
        most={300}
        value={shape.thicknessMm}
        onChange={(thicknessMm) => onChange({ ...shape, thicknessMm })}
      />
    </>
  );
}
