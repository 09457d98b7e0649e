/** What the shop builds here to carry the speaker: its base, its face, how far it stands out and where it looks, and what it must keep free. */
import { HOUSING_KINDS, HOUSING_LABELS, type Housing, housingSchema } from '@low-quarry/core/housing';
import { Choice } from '../../../ui/Choice';
import { NumberField } from '../../../ui/NumberField';
import { FieldsAt } from '../../../ui/unreadNumbers';
import type { OpeningFacts } from '../openingDraft';
import { ContourFields } from './ContourFields';
import { FreeFields } from './FreeFields';
import { HousingDrawing } from './HousingDrawing';
import { HousingFigures } from './HousingFigures';
import { firstContour, newHousing } from './newHousing';

type HousingFieldsProps = {
  readonly facts: Pick<OpeningFacts, 'housing' | 'presence' | 'place' | 'side'>;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (changes: Partial<OpeningFacts>) => void;
};

export function HousingFields({ facts, errorAt, onChange }: HousingFieldsProps) {
  const { housing, presence } = facts;
  const change = (changes: Partial<Housing>) => housing && onChange({ housing: { ...housing, ...changes } });
  return (
    <div className="flex flex-col gap-3">
      <Choice
        label="Built here to carry the speaker"
        hint="On a closed panel, or on an opening that looks the wrong way. All checks are asked of its face then."
        value={housing?.as ?? 'none'}
        options={[
          ['none', 'Nothing: the car’s own opening'],
          ...HOUSING_KINDS.map((as) => [as, HOUSING_LABELS[as]] as const),
        ]}
        onChange={(as) =>
          onChange({
            housing: as === 'none' ? null : housing ? { ...housing, as } : newHousing(as, { presence }),
          })
        }
      />
      {housing && (
        <FieldsAt place="housing">
          <BaseFields housing={housing} errorAt={errorAt} change={change} />
          <FaceFields housing={housing} errorAt={errorAt} change={change} />
          <HousingDrawing housing={housing} at={facts} />
          <HousingFigures housing={housing} said={saidOf(housing)} />
          <FreeFields free={housing.free} errorAt={errorAt} onChange={(free) => change({ free })} />
        </FieldsAt>
      )}
    </div>
  );
}

/** What of its lengths does not go together whoever builds it. */
function saidOf(housing: Housing): readonly string[] {
  return (housingSchema.safeParse(housing).error?.issues ?? [])
    .filter(({ path }) => path[0] !== 'free')
    .map(({ message }) => message);
}

type PartProps = {
  readonly housing: Housing;
  readonly errorAt: HousingFieldsProps['errorAt'];
  readonly change: (changes: Partial<Housing>) => void;
};

function BaseFields({ housing, errorAt, change }: PartProps) {
  const { base, xMm, yMm, offMm, back } = housing;
  const length = (label: string, key: 'xMm' | 'yMm' | 'offMm', least: number, most: number, hint?: string) => (
    <NumberField
      label={label}
      {...(hint ? { hint } : {})}
      kind="length"
      {...{ least, most }}
      value={{ xMm, yMm, offMm }[key]}
      error={errorAt(`record.housing.${key}`)}
      onChange={(value) => change({ [key]: value })}
    />
  );
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Choice
        label="Its base"
        value={base.kind}
        options={[
          ['round', 'Round'],
          ['contour', 'Follows the panel’s contour'],
        ]}
        onChange={(kind) =>
          change({ base: kind === 'round' ? { kind, diameterMm: housing.faceMm + 40 } : firstContour(housing) })
        }
      />
      <Choice
        label="Its back"
        value={back}
        options={[
          ['closed', 'Closed: the panel is its back'],
          ['open', 'Open to what is behind the panel'],
        ]}
        onChange={(next) => change({ back: next })}
      />
      {base.kind === 'round' && (
        <NumberField
          label="Diameter of its base"
          kind="length"
          least={15}
          most={500}
          value={base.diameterMm}
          error={errorAt('record.housing.base.diameterMm')}
          onChange={(diameterMm) => change({ base: { ...base, diameterMm } })}
        />
      )}
      {base.kind === 'contour' && (
        <div className="sm:col-span-2">
          <ContourFields base={base} errorAt={errorAt} onChange={(next) => change({ base: next })} />
        </div>
      )}
      {length('Middle of its face, to the right', 'xMm', -600, 600, 'From the middle of the panel, as it was traced.')}
      {length('Middle of its face, upwards', 'yMm', -600, 600)}
      {length('What was traced may be off by', 'offMm', 0, 20)}
    </div>
  );
}

function FaceFields({ housing, errorAt, change }: PartProps) {
  const length = (
    label: string,
    key: 'faceMm' | 'holeMm' | 'heightMm' | 'boardMm' | 'wallMm' | 'rimMm',
    least: number,
    most: number,
    hint?: string,
  ) => (
    <NumberField
      label={label}
      {...(hint ? { hint } : {})}
      kind="length"
      {...{ least, most }}
      value={housing[key]}
      error={errorAt(`record.housing.${key}`)}
      onChange={(value) => change({ [key]: value })}
    />
  );
  const angle = (label: string, key: 'angleDeg' | 'aimDeg', least: number, most: number, hint: string) => (
    <NumberField
      label={label}
      hint={hint}
      kind="angle"
      {...{ least, most }}
      value={housing[key]}
      error={errorAt(`record.housing.${key}`)}
      onChange={(value) => change({ [key]: value })}
    />
  );
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      {length('Height over the panel', 'heightMm', 1, 400, 'To the middle of its face.')}
      {length('Diameter of its face', 'faceMm', 15, 500, 'The flange lies on it whole.')}
      {length('Diameter of its hole', 'holeMm', 10, 480, 'As the speaker’s sheet asks.')}
      {length('Board of face and base', 'boardMm', 1, 40)}
      {length('Wall at its face', 'wallMm', 0.8, 40)}
      {length('Rim of its base', 'rimMm', 2, 60, '10 mm and more takes screws from behind; less is glued.')}
      {angle('Turned from straight out by', 'angleDeg', 0, 60, '0 looks straight across the car.')}
      {angle('Turned towards', 'aimDeg', -360, 360, '0 to the right, 90 upwards, as one looks at the panel.')}
      <Choice
        label="Grille over its face"
        value={housing.grilleMm === null ? 'no' : 'yes'}
        options={[
          ['no', 'None'],
          ['yes', 'One stands in front of it'],
        ]}
        onChange={(value) => change({ grilleMm: value === 'yes' ? (housing.grilleMm ?? 12) : null })}
      />
      {housing.grilleMm !== null && (
        <NumberField
          label="From the face to the grille"
          kind="length"
          least={0}
          most={100}
          value={housing.grilleMm}
          error={errorAt('record.housing.grilleMm')}
          onChange={(grilleMm) => change({ grilleMm })}
        />
      )}
    </div>
  );
}
