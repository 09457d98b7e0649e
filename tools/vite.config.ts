/** Builds the benchmarks; the core (source only) goes in. */
import { defineConfig } from 'vite';

export default defineConfig({ build: { target: 'node20' }, ssr: { noExternal: [/^@low-quarry\//] } });
