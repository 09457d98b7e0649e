/** Builds the server into one file; npm packages stay outside, the core (source only) goes in. */
import { defineConfig } from 'vite';

export default defineConfig({
  build: { ssr: 'src/main.ts', outDir: 'dist', target: 'node20', minify: false },
  ssr: { noExternal: [/^@low-quarry\//] },
});
