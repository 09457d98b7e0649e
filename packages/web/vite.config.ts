/** Builds the web application; in development, passes the API's requests on to the server. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

const apiPort = process.env.LQ_API_PORT ?? '4780';
const OUT = 'dist';

/** Writes the service worker beside the page, with the names of all files that were built. */
function serviceWorker(): Plugin {
  return {
    name: 'service-worker',
    apply: 'build',
    closeBundle() {
      const files = readdirSync(path.join(OUT, 'assets'))
        .sort()
        .map((name) => `/assets/${name}`);
      const version = createHash('sha256').update(files.join()).digest('hex').slice(0, 16);
      const source = readFileSync('src/serviceWorker.js', 'utf8')
        .replace('__VERSION__', version)
        .replace('__FILES__', JSON.stringify([...files, '/mark.svg']));
      writeFileSync(path.join(OUT, 'sw.js'), source);
    },
  };
}

/** Another core, or another way to keep the catalogue, another name: what was worked out with one is not taken for another's. */
function keepingHash(): string {
  const hash = createHash('sha256');
  for (const part of ['../core/src', 'src/catalogue']) {
    const dir = path.resolve(import.meta.dirname, part);
    const files = readdirSync(dir, { recursive: true, encoding: 'utf8' }).sort();
    for (const file of files) if (/(?<!\.test)\.ts$/.test(file)) hash.update(readFileSync(path.join(dir, file)));
  }
  return hash.digest('hex').slice(0, 16);
}

export default defineConfig({
  define: { __BUILD__: JSON.stringify(keepingHash()) },
  plugins: [react(), tailwindcss(), serviceWorker()],
  worker: { format: 'es' },
  build: {
    outDir: OUT,
    sourcemap: false,
    assetsInlineLimit: 0,
    // What every screen begins with is one file: in twenty pieces it is 5 kB more, and twenty questions.
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'base', tags: ['$initial'] }] } } },
  },
  server: { host: '127.0.0.1', port: 5173, proxy: { '/api': `http://127.0.0.1:${apiPort}` } },
});
