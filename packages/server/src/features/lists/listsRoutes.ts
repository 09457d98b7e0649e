import { importList } from '@low-quarry/core/contracts/supplierLists';
import type { Router } from 'express';
import type { DataSource } from 'typeorm';
import { write } from '../../http/route';
import type { OpenHistory } from '../history/History';
import { SupplierListImport } from './SupplierListImport';

/** @param heavy a list goes through all parts: apart from what people do */
export function listsRoutes(router: Router, heavy: DataSource, newId: () => string, openHistory: OpenHistory): void {
  write(router, heavy, importList, ({ body, manager, actor }) =>
    new SupplierListImport(manager, openHistory(manager, actor)).bringIn(body, newId()),
  );
}
