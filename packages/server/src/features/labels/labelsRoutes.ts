import { labelsFile, readCode } from '@low-quarry/core/contracts/labels';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { heavyLimit } from '../../http/heavyLimit';
import { fileRoute, route } from '../../http/route';
import { Labels } from './Labels';
import { writeLabels } from './writeLabels';

export function labelsRoutes(router: Router, db: DataSource): void {
  router.use(labelsFile.path, heavyLimit());
  fileRoute(router, labelsFile, async ({ params }) => {
    const labels = await new Labels(db.manager).asked(params);
    const { symbol, first } = params;
    const bytes = await writeLabels({ labels, sheet: params, symbol, first });
    return { name: `labels-${params.of}.pdf`, type: 'application/pdf', bytes };
  });
  route(router, readCode, ({ params }) => new Labels(db.manager).read(params.code));
}
