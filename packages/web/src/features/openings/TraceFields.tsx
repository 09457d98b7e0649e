/** A hole or screws of no regular shape, as they were traced: one place a line. */
import type { OpeningRecord } from '@low-quarry/core/model';
import { type FacePlace, SOURCE_IDS, SOURCES, type SourceId } from '@low-quarry/core/model';
import { Choice } from '../../ui/Choice';
import { type PlaceLimits, PlacesText } from './PlacesText';
import { cornersOf } from './surroundings';

type Facts = Omit<OpeningRecord, 'dimensions'>;

type TraceFieldsProps = {
  readonly facts: Pick<Facts, 'holeKind' | 'trace' | 'bolts'>;
  readonly onChange: (changes: Partial<Facts>) => void;
};

const CORNERS = { least: 3, most: 400, farthestMm: 300 };
const SCREWS = { least: 2, most: 12, farthestMm: 250 };

export function TraceFields({ facts: { holeKind, trace, bolts }, onChange }: TraceFieldsProps) {
  return (
    <>
      {holeKind === 'polygon' && (
        <PlacesField
          label="Corners of the hole"
          hint="One a line, in their order around the hole: to the right; upwards from the centre. A third length is how far the edge that follows bulges outwards."
          places={trace?.corners ?? []}
          columns={3}
          limits={CORNERS}
          source={trace?.source ?? 'tapeMm'}
          onChange={(places, source) => onChange({ trace: { source, corners: cornersOf(places) } })}
        />
      )}
      {bolts.kind === 'free' && (
        <PlacesField
          label="Screws"
          hint="One a line: to the right; upwards from the hole’s centre, seen from the cabin."
          places={bolts.holes.map((each) => ({ ...each, bulgeMm: 0 }))}
          columns={2}
          limits={SCREWS}
          source={bolts.source}
          onChange={(places, source) =>
            onChange({ bolts: { ...bolts, source, holes: places.map(({ xMm, yMm }) => ({ xMm, yMm })) } })
          }
        />
      )}
    </>
  );
}

type PlacesFieldProps = {
  readonly label: string;
  readonly hint: string;
  readonly places: readonly FacePlace[];
  readonly columns: 2 | 3;
  readonly limits: PlaceLimits;
  readonly source: SourceId;
  readonly onChange: (places: readonly FacePlace[], source: SourceId) => void;
};

function PlacesField({ label, hint, places, columns, limits, source, onChange }: PlacesFieldProps) {
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <PlacesText {...{ label, hint, places, columns, limits }} onChange={(next) => onChange(next, source)} />
      <Choice
        label={`${label}, taken with`}
        value={source}
        options={SOURCE_IDS.map((each) => [each, SOURCES[each].label])}
        onChange={(next) => onChange(places, next)}
      />
    </div>
  );
}
