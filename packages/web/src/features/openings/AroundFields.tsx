/** What is noted of an opening besides its dimensions: behind it, around its hole, in front of it. */

import type { OpeningRecord } from '@low-quarry/core/model';
import { isTakenHere } from '@low-quarry/core/model';
import { Choice } from '../../ui/Choice';
import { FrontFields } from './FrontFields';
import { HousingFields } from './housing/HousingFields';
import { ObstacleFields } from './ObstacleFields';
import { ProudFields } from './ProudFields';
import { SurroundingFields } from './SurroundingFields';
import { TraceFields } from './TraceFields';

type Facts = Omit<OpeningRecord, 'dimensions'>;

type AroundFieldsProps = {
  readonly facts: Facts;
  readonly errorAt: (path: string) => string | null;
  readonly onChange: (changes: Partial<Facts>) => void;
};

export function AroundFields({ facts, errorAt, onChange }: AroundFieldsProps) {
  return (
    <section aria-label="What stands behind" className="order-2">
      <h2 className="mb-2 border-b border-ink text-[18px] font-bold">Beams, rails and wires behind it</h2>
      <div className="flex flex-col gap-3">
        {!facts.obstacles.some(({ depth }) => isTakenHere(depth)) && (
          <Choice
            label="Beam, rail or wiring behind the hole"
            hint="A lamp through the hole, and a minute."
            value={facts.obstaclesLooked ? 'nothing' : 'notLooked'}
            options={[
              ['notLooked', 'Not looked'],
              ['nothing', facts.obstacles.length === 0 ? 'Looked: nothing there' : 'Looked: nothing else there'],
            ]}
            onChange={(value) => onChange({ obstaclesLooked: value === 'nothing' })}
          />
        )}
        <ObstacleFields
          obstacles={facts.obstacles}
          faces={facts.faces}
          errorAt={errorAt}
          onChange={(obstacles) => onChange({ obstacles })}
        />
      </div>
      <h2 className="mt-6 mb-2 border-b border-ink text-[18px] font-bold">Around the hole</h2>
      <div className="flex flex-col gap-3">
        <p className="text-[13px] leading-4 text-muted">
          What stands proud of the metal, so that a plate over it would not lie flat.
        </p>
        <ProudFields
          proud={facts.proud}
          isLooked={facts.proudLooked}
          errorAt={errorAt}
          onChange={(proud) => onChange({ proud })}
          onLooked={(proudLooked) => onChange({ proudLooked })}
        />
      </div>
      <h2 className="mt-6 mb-2 border-b border-ink text-[18px] font-bold">In front of it</h2>
      <div className="flex flex-col gap-3">
        <p className="text-[13px] leading-4 text-muted">
          Besides what the front gap was read to. What is cut out lets narrower parts through.
        </p>
        <FrontFields
          layers={facts.front}
          faces={facts.faces}
          errorAt={errorAt}
          onChange={(front) => onChange({ front })}
        />
      </div>
      <h2 className="mt-6 mb-2 border-b border-ink text-[18px] font-bold">Pod, wedge or cup</h2>
      <HousingFields facts={facts} errorAt={errorAt} onChange={onChange} />
      <h2 className="mt-6 mb-2 border-b border-ink text-[18px] font-bold">More of the opening</h2>
      <div className="flex flex-col gap-3">
        <TraceFields facts={facts} onChange={onChange} />
        <SurroundingFields facts={facts} errorAt={errorAt} onChange={onChange} />
      </div>
    </section>
  );
}
