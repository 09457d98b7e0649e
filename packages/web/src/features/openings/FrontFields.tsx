/** What lies in front besides what the front gap was read to: card, grille, cloth, a ring; each with its own gap. */
import { capital } from '@low-quarry/core/firstLetter';
import { FRONT_KINDS } from '@low-quarry/core/fit';
import type { FrontLayerRecord, OpeningRecord } from '@low-quarry/core/model';
import { FRONT_WORDS } from '../../text/words';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { FieldsAt } from '../../ui/unreadNumbers';
import { NotedLengthField } from './NotedLengthField';
import { guessed, newFrontLayer, ownId } from './surroundings';

type FrontFieldsProps = {
  readonly layers: readonly FrontLayerRecord[];
  readonly faces: OpeningRecord['faces'];
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (layers: FrontLayerRecord[]) => void;
};

const MOST = 6;
const MOST_GAP_MM = 120;
/** As most cut-outs are, until somebody measures it, mm. */
const USUAL_INSIDE_MM = 150;

export function FrontFields({ layers, faces, errorAt, onChange }: FrontFieldsProps) {
  const change = (at: number, changes: Partial<FrontLayerRecord>) =>
    onChange(layers.map((each, index) => (index === at ? { ...each, ...changes } : each)));
  return (
    <>
      {layers.map((layer, at) => {
        const { id, kind, label, gap, inside } = layer;
        return (
          <FieldsAt key={id} place={`front ${id}`}>
            <fieldset className="grid gap-3 border border-hairline p-3 sm:grid-cols-2">
              <legend className="px-1 font-semibold">{capital(label)}</legend>
              <Choice
                label="What it is"
                value={kind}
                options={FRONT_KINDS.map((each) => [each, capital(FRONT_WORDS[each])])}
                hint={
                  kind === 'cloth'
                    ? 'Asked to keep the clearance of cloth.'
                    : 'Asked to keep the clearance of the front.'
                }
                onChange={(next) => change(at, { kind: next, ...namedAfter(next, layers) })}
              />
              <Choice
                label="In its middle"
                value={inside ? 'open' : 'closed'}
                options={[
                  ['closed', 'Closed: stops everything'],
                  ['open', 'Cut out: what is narrower passes'],
                ]}
                onChange={(value) => change(at, { inside: value === 'open' ? guessed(USUAL_INSIDE_MM) : null })}
              />
              <NotedLengthField
                label="Gap to it"
                hint="From the metal to its back."
                length={gap}
                most={MOST_GAP_MM}
                faces={faces}
                error={errorAt(`record.front.${at}.gap.readingsMm.0`)}
                onChange={(next) => change(at, { gap: next })}
              />
              {inside && (
                <NotedLengthField
                  label="Diameter of the cut-out"
                  hint="Free in its middle, about the centre of the hole."
                  length={inside}
                  error={errorAt(`record.front.${at}.inside.readingsMm.0`)}
                  onChange={(next) => change(at, { inside: next })}
                />
              )}
              <Button
                kind="quiet"
                className="justify-self-start"
                onClick={() => onChange(layers.filter((_, index) => index !== at))}
              >
                Remove {label}
              </Button>
            </fieldset>
          </FieldsAt>
        );
      })}
      {layers.length < MOST && (
        <Button className="self-start" onClick={() => onChange([...layers, newFrontLayer(layers)])}>
          Add a card, grille or cloth
        </Button>
      )}
    </>
  );
}

/** Its name and its id go with its kind. */
function namedAfter(kind: FrontLayerRecord['kind'], others: readonly FrontLayerRecord[]) {
  const id = ownId(FRONT_WORDS[kind], others);
  return { id, label: id.replaceAll('-', ' ') };
}
