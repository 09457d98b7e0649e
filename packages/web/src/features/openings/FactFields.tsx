/** What is known of an opening besides its lengths: shape, screws, what is behind, plugs. */

import type { ConnectorRecord } from '@low-quarry/core/catalogue';
import { FIXINGS } from '@low-quarry/core/fit';
import {
  AIRBAGS,
  BEHIND,
  firstScrewDeg,
  mayHoldAirbag,
  type OpeningRecord,
  POLARITY_BY,
  POLARITY_LABELS,
  POLARITY_NOT_KNOWN,
  positivePin,
  SECOND_PLUGS,
  soundPins,
} from '@low-quarry/core/model';
import {
  AIRBAG_WORDS,
  ASSUMED_WORDS,
  BEHIND_WORDS,
  FIXING_WORDS,
  SECOND_PLUG_WORDS,
  WIRING_WORDS,
} from '../../text/words';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { ComboField } from '../../ui/ComboField';
import { Field, INPUT } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { TextField } from '../../ui/TextField';
import type { OpeningFacts } from './openingDraft';
import { PlugFaceFields } from './PlugFaceFields';

const WITHOUT_NAME = Object.keys(WIRING_WORDS) as (keyof typeof WIRING_WORDS)[];

type FactFieldsProps = {
  readonly facts: OpeningFacts;
  readonly connectors: readonly ConnectorRecord[];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (change: Partial<OpeningFacts>) => void;
};

export function FactFields({ facts, connectors, errorAt, onChange }: FactFieldsProps) {
  const { bolts } = facts;
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <AssumedNote facts={facts} onChange={onChange} />
      <Choice
        label="Shape of the hole"
        value={facts.holeKind}
        options={[
          ['circle', 'Round'],
          ['oval', 'Oval'],
          ['roundedRectangle', 'Rectangle, rounded'],
          ['polygon', 'Free shape, traced'],
        ]}
        onChange={(holeKind) => onChange({ holeKind })}
      />
      {(facts.holeKind === 'oval' || facts.holeKind === 'roundedRectangle') && (
        <NumberField
          label="Its long axis lies at"
          hint="From the level, anticlockwise as seen from the cabin; a rectangle of screws lies with it."
          kind="angle"
          least={-90}
          most={90}
          value={facts.holeDeg}
          error={errorAt('record.holeDeg')}
          onChange={(holeDeg) => onChange({ holeDeg })}
        />
      )}
      <Choice
        label="Behind it"
        value={facts.behind}
        options={BEHIND.map((each) => [each, BEHIND_WORDS[each]])}
        onChange={(behind) => onChange({ behind })}
      />
      <Choice
        label="Screw holes"
        value={bolts.kind === 'circle' ? String(bolts.count) : bolts.kind}
        options={[
          ...[2, 3, 4, 5, 6, 8].map((count) => [String(count), `${count} on a circle`] as const),
          ['rectangle', '4 at the corners of a rectangle'],
          ['free', bolts.kind === 'free' ? `${bolts.holes.length} traced` : 'Anywhere, traced'],
        ]}
        onChange={(value) => onChange({ bolts: toBolts(value, bolts) })}
      />
      <Choice
        label="Fixing"
        value={facts.fixing}
        options={FIXINGS.map((each) => [each, FIXING_WORDS[each]])}
        onChange={(fixing) => onChange({ fixing })}
      />
      <ComboField
        label="Connector"
        error={errorAt('record.wiring')}
        value={facts.wiring.kind === 'connector' ? facts.wiring.connectorId : facts.wiring.kind}
        options={[
          ...WITHOUT_NAME.map((kind) => ({ value: kind, label: WIRING_WORDS[kind] })),
          ...connectors.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(value) => {
          const kind = WITHOUT_NAME.find((each) => each === value);
          onChange({ wiring: kind ? { kind } : { kind: 'connector', connectorId: value } });
        }}
      />
      <Choice
        label="Second plug on the old speaker"
        value={facts.secondPlug}
        options={SECOND_PLUGS.map((each) => [each, SECOND_PLUG_WORDS[each]])}
        onChange={(secondPlug) => onChange({ secondPlug })}
      />
      <PlugFaceFields
        faces={facts.plugFaces}
        ways={waysOf(facts, connectors)}
        hasSecondPlug={facts.secondPlug !== 'none'}
        positivePin={positivePin(facts.polarity)}
        errorAt={errorAt}
        onChange={(plugFaces) => onChange({ plugFaces })}
      />
      <PolarityFields facts={facts} errorAt={errorAt} onChange={onChange} />
      {mayHoldAirbag(facts.place) && (
        <Choice
          label="Airbag behind or beside the cover"
          hint="Its mark on the cover, and the vehicle maker’s manual, before the cover comes off."
          value={facts.airbag}
          options={AIRBAGS.map((each) => [each, AIRBAG_WORDS[each]])}
          onChange={(airbag) => onChange({ airbag })}
        />
      )}
      <div className="sm:col-span-2">
        <Field label="Note" error={errorAt('record.note')}>
          {(ids) => (
            <textarea
              {...ids}
              rows={2}
              maxLength={1000}
              value={facts.note}
              onChange={({ target }) => onChange({ note: target.value })}
              className={`${INPUT} py-2`}
            />
          )}
        </Field>
      </div>
    </div>
  );
}

/** How many positions the plug has, where the library says. */
function waysOf({ wiring }: OpeningFacts, connectors: readonly ConnectorRecord[]): number | null {
  return wiring.kind === 'connector' ? (connectors.find(({ id }) => id === wiring.connectorId)?.ways ?? null) : null;
}

/** Which wire is positive, and what says so. */
function PolarityFields({ facts: { polarity, plugFaces }, errorAt, onChange }: Omit<FactFieldsProps, 'connectors'>) {
  const set = (change: Partial<OpeningFacts['polarity']>) => onChange({ polarity: { ...polarity, ...change } });
  return (
    <div className="flex flex-col gap-3">
      <Choice
        label="What says which wire is positive"
        hint="Only a test proves it."
        value={polarity.by}
        options={POLARITY_BY.map((each) => [each, POLARITY_LABELS[each]])}
        onChange={(by) => (by === 'notKnown' ? onChange({ polarity: POLARITY_NOT_KNOWN }) : set({ by }))}
      />
      {polarity.by !== 'notKnown' && (
        <>
          <TextField
            label="Positive is"
            hint="Pin 1; the one with the stripe."
            value={polarity.positive}
            error={errorAt('record.polarity.positive')}
            onType={(positive) => set({ positive })}
          />
          <span className="flex flex-wrap gap-2 empty:hidden">
            {soundPins(plugFaces).map((pin) => (
              <Button key={pin} onClick={() => set({ positive: `pin ${pin}` })}>
                Pin {pin}
              </Button>
            ))}
          </span>
          <TextField
            label="Where it stands"
            hint="Of a record: which sheet, from whom."
            value={polarity.source}
            error={errorAt('record.polarity.source')}
            onType={(source) => set({ source })}
          />
        </>
      )}
    </div>
  );
}

/** What is only taken as usual counts as seen when somebody says so, or says what it is. */
function AssumedNote({
  facts: { assumed },
  onChange,
}: Pick<FactFieldsProps, 'onChange'> & { readonly facts: OpeningFacts }) {
  if (assumed.length === 0) return null;
  return (
    <div className="flex flex-col gap-2 border-l-4 border-measure bg-paper px-3 py-2 sm:col-span-2">
      <p>
        <strong>Taken as is usual for such a body, and nobody has looked:</strong>{' '}
        {assumed.map((each) => ASSUMED_WORDS[each].toLowerCase()).join(', ')}. Set what differs, then say that it was
        looked at.
      </p>
      <span className="flex flex-wrap gap-2">
        {assumed.map((each) => (
          <Button key={each} onClick={() => onChange({ assumed: assumed.filter((other) => other !== each) })}>
            Looked: {ASSUMED_WORDS[each].toLowerCase()}
          </Button>
        ))}
      </span>
    </div>
  );
}

function toBolts(value: string, before: OpeningRecord['bolts']): OpeningRecord['bolts'] {
  const { screwDiameterMm } = before;
  if (value === 'rectangle') return { kind: 'rectangle', screwDiameterMm };
  if (value === 'free') return before.kind === 'free' ? before : { kind: 'free', screwDiameterMm, ...FIRST_TRACE };
  const count = Number(value);
  return {
    kind: 'circle',
    count,
    firstAngleDeg: firstScrewDeg(count),
    screwDiameterMm,
  };
}

/** Something to change: two screws at the sides, as nobody has traced any. */
const FIRST_TRACE: Pick<Extract<OpeningRecord['bolts'], { kind: 'free' }>, 'source' | 'holes'> = {
  source: 'guess',
  holes: [
    { xMm: 70, yMm: 0 },
    { xMm: -70, yMm: 0 },
  ],
};
