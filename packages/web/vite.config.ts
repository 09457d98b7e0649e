/** Builds the web application; in development, passes the API's requests on to the server. */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, mergeConfig, type Plugin, type Rolldown, type UserConfig } from 'vite';
import { fewerFiles } from './build/fewerFiles.ts';
import { pressed } from './build/pressed.ts';

const apiPort = process.env.LQ_API_PORT ?? '4780';
const OUT = 'dist';
const ASSETS = path.join(OUT, 'assets');

/** Writes the service worker beside the page, with the names of all files that were built. */
function serviceWorker(): Plugin {
  return {
    name: 'service-worker',
    apply: 'build',
    closeBundle() {
      const files = readdirSync(ASSETS)
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

/**
 * Zod's writers of JSON schemas, which each of its schemas holds on to and no page asks for: a sixteenth of all that a first screen
 * loads. The names stay; who calls one is told.
 */
function withoutJsonSchemas(): Plugin {
  const writers = /node_modules\/zod\/v4\/core\/(to-json-schema|json-schema-processors)\.js$/;
  const absent = `const absent = () => { throw new Error('The page is built without what writes JSON schemas.'); };`;
  return {
    name: 'without-json-schemas',
    apply: 'build',
    transform(code, id) {
      if (!writers.test(id)) return null;
      const names = [...code.matchAll(/^export (?:const|function) (\w+)/gm)].map(([, name]) => name as string);
      const renamed = [...code.matchAll(/^export \{ (\w+) as (\w+) \};/gm)].map(([all]) => all);
      // A schema makes its methods when it is made: it gets those, and whoever calls one is told.
      const stub = (name: string) => (/^create\w+Method$/.test(name) ? '() => absent' : 'absent');
      const stubs = names.map((name) => `export const ${name} = ${stub(name)};`);
      return { code: [absent, ...stubs, ...renamed].join('\n'), map: null };
    },
  };
}

const config: UserConfig = {
  define: { __BUILD__: JSON.stringify(keepingHash()) },
  plugins: [react(), tailwindcss(), withoutJsonSchemas()],
  worker: { format: 'es', plugins: () => [withoutJsonSchemas()] },
  build: { outDir: OUT, sourcemap: false, assetsInlineLimit: 0 },
  server: { host: '127.0.0.1', port: 5173, proxy: { '/api': `http://127.0.0.1:${apiPort}` } },
};

/** What every screen begins with is one file: in twenty pieces it is 5 kB more, and twenty questions. */
const base = { name: 'base', tags: ['$initial' as const], priority: 2 };

function splitInto(groups: Rolldown.CodeSplittingGroup[]): UserConfig {
  return { build: { rolldownOptions: { output: { codeSplitting: { groups } } } } };
}

/** The rest comes in as many files as are worth a request each. */
function inFewerFiles(): Plugin {
  return {
    name: 'in-fewer-files',
    apply: 'build',
    async config() {
      const name = await fewerFiles(mergeConfig(config, splitInto([base])));
      const together = { name, debugName: 'what is used together', priority: 1, includeDependenciesRecursively: false };
      return splitInto([base, together]);
    },
  };
}

export default defineConfig({
  ...config,
  // The worker keeps what is asked for, by its name; pressed after that, the files beside have none in it.
  plugins: [...(config.plugins ?? []), inFewerFiles(), serviceWorker(), pressed(ASSETS)],
});
