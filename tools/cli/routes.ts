/** Prints every route as one JSON object a line, read from the router; ends with status 1 when one has no permission. */
import { createApp } from '@low-quarry/server/app';
import { createDataSource } from '@low-quarry/server/db/dataSource';
import { listRoutes } from '@low-quarry/server/http/listRoutes';
import { runHere } from '@low-quarry/server/tasks/here';
import { pino } from 'pino';

// Nothing is asked of the database: only the routes are bound.
const db = createDataSource('postgres://localhost/none');
const app = createApp({
  db,
  heavy: db,
  log: pino({ level: 'silent' }),
  now: () => new Date(),
  newId: () => '',
  runTask: runHere,
  appUrl: '',
  webDir: process.cwd(),
  templates: [],
  demo: null,
});
const routes = listRoutes(app);
for (const { method, path, permission } of routes) {
  console.log(JSON.stringify({ method: method.toUpperCase(), path, permission }));
}
const bare = routes.filter(({ permission }) => permission === null);
if (bare.length > 0) {
  console.error(`Without a permission: ${bare.map(({ method, path }) => `${method} ${path}`).join(', ')}`);
  process.exitCode = 1;
}
