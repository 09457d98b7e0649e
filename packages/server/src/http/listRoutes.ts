/** Every route of an application, read from its routers, with the permission of the guard in front of it. */
import type { Permission } from '@low-quarry/core/model';
import type { Express } from 'express';
import type { Guard } from './guard';

export type ListedRoute = {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  readonly path: string;
  /** Null where no guard stands in front: a fault. */
  readonly permission: Permission | null;
};

type Layer = {
  readonly handle: { readonly stack?: readonly Layer[] };
  readonly route?: {
    readonly path: string;
    readonly stack: readonly { readonly method: ListedRoute['method']; readonly handle: Partial<Guard> }[];
  };
};

export function listRoutes(app: Express): readonly ListedRoute[] {
  return listLayers((app.router as unknown as { readonly stack: readonly Layer[] }).stack);
}

function listLayers(stack: readonly Layer[]): readonly ListedRoute[] {
  return stack.flatMap(({ route, handle }) => {
    if (!route) return handle.stack ? listLayers(handle.stack) : [];
    const methods = [...new Set(route.stack.map(({ method }) => method))];
    return methods.map((method) => {
      // The first handler decides: what runs before a guard is not guarded.
      const first = route.stack.find((layer) => layer.method === method);
      return { method, path: route.path, permission: first?.handle.permission ?? null };
    });
  });
}
