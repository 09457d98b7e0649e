/** The plate that is to be cut, as it is judged, on paper at 1:1. */
import type { Candidate, FitBracket, Judgement, Work } from '@low-quarry/core/fit';
import { type OpeningRecord, placeLabel } from '@low-quarry/core/model';
import { plateTemplate, templateSvg } from '@low-quarry/core/template';
import { useState } from 'react';
import { downloadFile } from '../../device/downloadFile';
import { Button } from '../../ui/Button';

type PlateTemplateProps = {
  readonly record: Pick<OpeningRecord, 'place' | 'side' | 'name'>;
  readonly works: readonly Work[];
  readonly candidate: Candidate;
  readonly judgement: Judgement;
};

/** Nothing where no plate is cut. */
export function PlateTemplate({ record, works, candidate, judgement }: PlateTemplateProps) {
  const [isTooLarge, setIsTooLarge] = useState(false);
  const work = works.find((each) => each.kind === 'cutPlate');
  const brackets = candidate.layers.filter((layer): layer is FitBracket => layer.kind === 'bracket');
  const at = brackets.findIndex(({ id }) => id.startsWith('plate-'));
  const plate = brackets[at];
  const place = judgement.mount.placement.places[at];
  if (!work || !plate || !place) return null;
  const label = placeLabel(record);
  const download = () => {
    const svg = templateSvg(plateTemplate(plate, work, place), {
      title: `Plate for ${label}: ${candidate.speaker.name}`,
      side: record.side === 'centre' ? 'Seen from the cabin' : `${record.side.toUpperCase()}, seen from the cabin`,
    });
    setIsTooLarge(svg === null);
    if (svg) downloadFile(`plate-${label.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}.svg`, svg, 'image/svg+xml');
  };
  return (
    <div className="flex flex-col gap-1">
      <Button className="self-start" onClick={download}>
        Template at 1:1, SVG
      </Button>
      <p className="text-[13px] text-muted">
        For this side alone. Printed at 100 %, its square is measured before anything is cut.
      </p>
      {isTooLarge && <p className="text-measure">It is larger than A3: mark its holes off the car and the speaker.</p>}
    </div>
  );
}
