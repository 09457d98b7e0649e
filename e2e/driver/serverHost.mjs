/**
 * A process that serves one shop after another, as long as nobody kills it: reading the program takes a server most of its start, and one
 * that has served for a while answers several times quicker. Told `{ env }` it serves, told `{ end: true }` it closes in order.
 */
import path from 'node:path';
import { pathToFileURL } from 'node:url';

const dist = path.dirname(process.env.LQ_SERVER_MAIN);
const { serveFrom } = await import(pathToFileURL(path.join(dist, 'serve.js')).href);

let served = null;

process.on('message', async ({ env }) => {
  try {
    if (env) {
      served = await serveFrom(env);
      process.send({ listening: served.url });
    } else {
      await served.close();
      served = null;
      process.send({ closed: true });
    }
  } catch (error) {
    process.send({ failed: error instanceof Error ? error.message : String(error) });
  }
});
process.on('disconnect', () => process.exit(0));
process.send({ ready: true });
