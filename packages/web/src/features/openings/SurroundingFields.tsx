/** What few openings need: more depths, a recess, the metal, and where the factory plug comes from. */
import { capital } from '@low-quarry/core/firstLetter';
import { MOUNT_MATERIALS, type OpeningRecord, SOURCE_IDS, SOURCES } from '@low-quarry/core/model';
import { MATERIAL_WORDS } from '../../text/words';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { NumberField } from '../../ui/NumberField';
import { FieldsAt } from '../../ui/unreadNumbers';
import { NotedLengthField } from './NotedLengthField';
import { PlaceFields } from './PlaceFields';
import { type DepthRecord, guessed, newDepth } from './surroundings';

type Facts = Omit<OpeningRecord, 'dimensions'>;

type SurroundingFieldsProps = {
  readonly facts: Facts;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (changes: Partial<Facts>) => void;
};

const MOST_DEPTHS = 40;
const FIRST_RECESS = { depthMm: 4, diameterMm: 180, source: 'guess' } as const;

export function SurroundingFields({ facts, errorAt, onChange }: SurroundingFieldsProps) {
  const { recess, bore, plugDeg, material, wallMm, depthReadings, behind } = facts;
  return (
    <>
      <div className="grid gap-3 sm:grid-cols-2">
        <Choice
          label="Plug comes from"
          hint="Seen from the cabin; a bracket’s wire notch has to point there."
          value={plugDeg === null ? 'none' : String(plugDeg)}
          options={plugOptions(plugDeg)}
          onChange={(value) => onChange({ plugDeg: value === 'none' ? null : Number(value) })}
        />
        <Choice
          label="Screwed to"
          value={material}
          options={MOUNT_MATERIALS.map((each) => [each, capital(MATERIAL_WORDS[each])])}
          onChange={(next) => onChange({ material: next })}
        />
        <NumberField
          label="Thickness of it"
          kind="length"
          least={0.3}
          most={40}
          value={wallMm}
          onChange={(value) => onChange({ wallMm: value })}
        />
        <Choice
          label="Recess around the hole"
          value={recess ? 'yes' : 'no'}
          options={[
            ['no', 'None'],
            ['yes', 'A step the flange must go into'],
          ]}
          onChange={(value) => onChange({ recess: value === 'yes' ? (recess ?? FIRST_RECESS) : null })}
        />
        {recess && (
          <>
            <NumberField
              label="Recess diameter"
              kind="length"
              least={20}
              most={400}
              value={recess.diameterMm}
              error={errorAt('record.recess.diameterMm')}
              onChange={(diameterMm) =>
                onChange({
                  recess: { ...recess, diameterMm, source: recess.source === 'guess' ? 'calliper' : recess.source },
                })
              }
            />
            <Choice
              label="Recess diameter, taken with"
              value={recess.source}
              options={SOURCE_IDS.map((source) => [source, SOURCES[source].label])}
              onChange={(source) => onChange({ recess: { ...recess, source } })}
            />
            <NumberField
              label="Recess depth"
              kind="length"
              least={0.1}
              most={60}
              value={recess.depthMm}
              error={errorAt('record.recess.depthMm')}
              onChange={(depthMm) => onChange({ recess: { ...recess, depthMm } })}
            />
          </>
        )}
      </div>
      <BoreFields bore={bore} faces={facts.faces} errorAt={errorAt} onChange={(next) => onChange({ bore: next })} />
      {behind !== 'nothing' && (
        <MoreDepths
          depths={depthReadings}
          faces={facts.faces}
          errorAt={errorAt}
          onChange={(depths) => onChange({ depthReadings: depths })}
        />
      )}
    </>
  );
}

type BoreFieldsProps = {
  readonly bore: Facts['bore'];
  readonly faces: Facts['faces'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (bore: Facts['bore']) => void;
};

/** As deep and wide as a factory housing may be, until somebody measures it. */
const firstBore = () => ({ depth: guessed(30), inside: guessed(140) });

function BoreFields({ bore, faces, errorAt, onChange }: BoreFieldsProps) {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Choice
        label="Seat or housing behind the hole"
        hint="A round wall that the basket goes into, such as a factory pod."
        value={bore ? 'yes' : 'no'}
        options={[
          ['no', 'None'],
          ['yes', 'One the basket goes into'],
        ]}
        onChange={(value) => onChange(value === 'yes' ? (bore ?? firstBore()) : null)}
      />
      {bore && (
        <>
          <NotedLengthField
            label="Diameter of the bore"
            hint="Free in it, at its narrowest, about the centre of the hole."
            length={bore.inside}
            error={errorAt('record.bore.inside.readingsMm.0')}
            onChange={(inside) => onChange({ ...bore, inside })}
          />
          <NotedLengthField
            label="Depth of the bore"
            hint="From the metal straight in to where it ends or widens."
            length={bore.depth}
            faces={faces}
            error={errorAt('record.bore.depth.readingsMm.0')}
            onChange={(depth) => onChange({ ...bore, depth })}
          />
        </>
      )}
    </div>
  );
}

type MoreDepthsProps = {
  readonly depths: readonly DepthRecord[];
  readonly faces: Facts['faces'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (depths: DepthRecord[]) => void;
};

function MoreDepths({ depths, faces, errorAt, onChange }: MoreDepthsProps) {
  const change = (at: number, changes: Partial<DepthRecord>) =>
    onChange(depths.map((each, index) => (index === at ? { ...each, ...changes } : each)));
  return (
    <>
      {depths.map(({ xMm, yMm, measurement }, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a reading has no name; it is its place in the list.
        <FieldsAt key={at} place={`depth ${at}`}>
          <fieldset className="grid gap-3 border border-hairline p-3 sm:grid-cols-2">
            <legend className="px-1 font-semibold">Depth {at + 1} at another place</legend>
            <NotedLengthField
              label="Depth there"
              hint="From the metal the speaker is screwed to, straight in."
              length={measurement}
              faces={faces}
              error={errorAt(`record.depthReadings.${at}.measurement.readingsMm.0`)}
              onChange={(next) => change(at, { measurement: next })}
            />
            <PlaceFields xMm={xMm} yMm={yMm} onChange={(place) => change(at, place)} />
            <Button
              kind="quiet"
              className="justify-self-start"
              onClick={() => onChange(depths.filter((_, index) => index !== at))}
            >
              Remove depth {at + 1}
            </Button>
          </fieldset>
        </FieldsAt>
      ))}
      {depths.length < MOST_DEPTHS && (
        <Button className="self-start" onClick={() => onChange([...depths, newDepth()])}>
          Add a depth at another place
        </Button>
      )}
    </>
  );
}

/** As on a clock's face, which is how a hand points; what was noted otherwise is kept as it is. */
function plugOptions(plugDeg: number | null): readonly (readonly [string, string])[] {
  const hours = Array.from({ length: 12 }, (_, at) => {
    const hour = at === 0 ? 12 : at;
    return [String((((90 - at * 30) % 360) + 360) % 360), `${hour} o’clock`] as const;
  });
  const own = plugDeg === null || hours.some(([value]) => Number(value) === plugDeg);
  return [['none', 'Not noted'], ...hours, ...(own ? [] : ([[String(plugDeg), `${plugDeg}°`]] as const))];
}
