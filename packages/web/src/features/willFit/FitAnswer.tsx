import { partName, type SpeakerRecord, toFitCatalogue } from '@low-quarry/core/catalogue';
import type { CheckId } from '@low-quarry/core/fit';
import { judgeCandidate } from '@low-quarry/core/fit';
import {
  behindFace,
  readingHalfWidthsMm,
  type ShopSettings,
  toFitOpening,
  toFitRules,
  type VehicleRecord,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import type { KnownCatalogue } from '../../catalogue/KnownCatalogue';
import { FaceDrawing } from '../../drawing/FaceDrawing';
import { SectionDrawing } from '../../drawing/SectionDrawing';
import { sectionGeometry } from '../../drawing/sectionGeometry';
import { factsOf, verdictLine } from '../../text/verdictLine';
import { PutRight } from '../../ui/PutRight';
import { useSettings } from '../../ui/settings';
import { Loading } from '../../ui/states';
import { VerdictMark, verdictColour } from '../../ui/VerdictMark';
import { stackWords } from '../fit/CandidateList';
import { CheckLedger } from '../fit/CheckLedger';
import { OpenForOpening } from '../fit/OpenForOpening';
import { bestStackQuery } from './willFitQueries';

export function FitAnswer({
  record,
  speaker,
  shop,
  catalogue,
}: {
  readonly shop: ShopSettings;
  readonly catalogue: KnownCatalogue;
  readonly record: VehicleRecord['openings'][number];
  readonly speaker: SpeakerRecord;
}) {
  const { unit } = useSettings();
  const [lit, setLit] = useState<CheckId | null>(null);
  const { opening, rules } = useMemo(() => {
    const names = new Map(catalogue.connectors.map(({ id, name }) => [id, name]));
    const at = toFitOpening(record, readingHalfWidthsMm(shop), (id) => names.get(id) ?? id);
    return { opening: at, rules: toFitRules(shop) };
  }, [record, shop, catalogue]);
  const best = useQuery(bestStackQuery(catalogue.version, opening, rules, speaker));
  const { adapters } = useMemo(() => toFitCatalogue(catalogue.shelf), [catalogue]);
  const judged = useMemo(() => {
    if (!best.data) return null;
    const found = judgeCandidate(opening, best.data, adapters, rules, unit);
    return { judgement: found, section: sectionGeometry(opening, best.data, found, rules) };
  }, [best.data, opening, adapters, rules, unit]);
  if (best.isError) return <p role="alert">The answer could not be worked out: {best.error.message}</p>;
  if (!best.data || !judged) return <Loading what="the answer" />;
  const candidate = best.data;
  const { judgement, section } = judged;
  const deciding = judgement.checks.find(({ id }) => id === judgement.decidedBy);
  return (
    <section aria-label="The answer" className="grid min-w-0 gap-x-6 gap-y-3 xl:grid-cols-[minmax(0,1fr)_316px]">
      <div className="flex min-w-0 flex-col gap-2">
        <h2 className="text-[20px] font-bold leading-6">
          {partName(speaker)}
          <span className="block text-[14px] font-normal leading-5 text-muted">
            {stackWords(
              candidate.layers.map(({ id }) => id),
              catalogue.listed,
            )}
          </span>
        </h2>
        <p
          role="status"
          data-verdict={judgement.verdict}
          className={`flex items-center gap-2 text-[18px] font-bold ${verdictColour(judgement.verdict)}`}
        >
          <VerdictMark verdict={judgement.verdict} hidden size={20} />
          {verdictLine(factsOf(judgement), behindFace(record), unit)}
        </p>
        <p>{deciding?.sentence}</p>
        <PutRight judgement={judgement} behind={behindFace(record)} />
        <OpenForOpening opening={opening} judgement={judgement} measureAt={null} />
        <p className="text-[13px] leading-4 text-muted">
          By what the library knows of this model; nothing of it was measured on this car.
        </p>
        <div className="grid items-end gap-4 sm:grid-cols-[6fr_5fr]">
          <SectionDrawing
            section={section}
            unit={unit}
            lit={lit}
            maxHeightPx={400}
            label={`Section. ${deciding?.sentence ?? ''}`}
          />
          <FaceDrawing
            opening={opening}
            candidate={candidate}
            mount={judgement.mount}
            plane={section.plane}
            maxHeightPx={320}
            lit={lit === 'bolts'}
            label="Face with the bolt pattern at its best rotation"
          />
        </div>
      </div>
      <CheckLedger judgement={judgement} behind={behindFace(record)} unit={unit} lit={lit} onLight={setLit} />
    </section>
  );
}
