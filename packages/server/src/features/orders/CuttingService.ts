/** What the shop cuts itself for a car, as it is judged now, laid on its sheets. */
import type { Cutting } from '@low-quarry/core/contracts/cutting';
import { placeLabel } from '@low-quarry/core/model';
import { type CutPiece, hangerTemplate, pieceFault } from '@low-quarry/core/template';
import type { RunTask } from '../../tasks/tasks';
import type { FittingFor } from '../fit/Fitting';
import type { JobsService } from '../jobs/JobsService';

function written<Piece extends Pick<CutPiece, 'template'>>({ template, ...piece }: Piece) {
  return { ...piece, template: { ...template, holes: [...template.holes] } };
}

export class CuttingService {
  constructor(
    private readonly jobs: JobsService,
    private readonly fittingFor: FittingFor,
    private readonly runTask: RunTask,
  ) {}

  async get(jobId: string, gone: AbortSignal): Promise<Cutting> {
    const { openings, job } = await this.jobs.get(jobId);
    const chosen = openings.filter(({ state }) => state.kind === 'chosen' && state.heldBack === null);
    const fitting = await this.fittingFor(
      chosen.map(({ record }) => record),
      chosen.flatMap(({ choice }) => choice ?? []),
    );
    const unmeasured: string[] = [];
    const ofOpenings = chosen.flatMap(({ id: openingId, record, choice }): Cutting['pieces'] => {
      const candidate = choice ? fitting.findCandidate(choice) : 'layerIds';
      if (!choice || typeof candidate === 'string') return [];
      const made = candidate.layers.filter((layer) => layer.kind === 'spacer' && layer.made).length;
      const cut = fitting.cut(record, candidate, choice.works);
      const label = placeLabel(record);
      if (cut.filter(({ what }) => what === 'ring').length < made) unmeasured.push(label);
      return cut.map((piece) => ({
        ...{ openingId, label, side: record.side, speakerName: candidate.speaker.name },
        ...written(piece),
      }));
    });
    const { shop } = fitting;
    const hangers = job.crossovers.flatMap(({ name, box, hangerMm }): Cutting['pieces'] => {
      if (hangerMm === null) return [];
      if (box === null) {
        unmeasured.push(`The crossover ${name}`);
        return [];
      }
      const piece = { what: 'hanger' as const, template: hangerTemplate(box, hangerMm) };
      const fault = pieceFault(piece, shop, shop.unit);
      return [{ openingId: null, label: name, side: 'centre', speakerName: '', ...written(piece), fault }];
    });
    const pieces = [...ofOpenings, ...hangers];
    const sound = pieces.flatMap(({ fault }, at) => (fault === null ? [at] : []));
    const { sheet } = shop;
    const templates = sound.map((at) => (pieces[at] as Cutting['pieces'][number]).template);
    const groups = templates.length === 0 ? [] : await this.runTask('nestPieces', { templates, sheet }, () => {}, gone);
    return {
      sheet,
      pieces,
      unmeasured,
      sheets: groups.map(({ thicknessMm, pieces: group, nested }) => {
        const placeOf = (at: number) => sound[group[at] as number] as number;
        return {
          thicknessMm,
          sheets: nested.sheets,
          atLeast: nested.atLeast,
          laid: nested.laid.map((laid) => ({
            ...laid,
            piece: placeOf(laid.piece),
            inside: laid.inside === null ? null : placeOf(laid.inside),
          })),
          leftMm: [...nested.leftMm],
          tooLarge: nested.tooLarge.map(placeOf),
        };
      }),
    };
  }
}
