/**
 * Builds the server into a few files, npm packages and all, and what runs in a thread beside it: read as a thousand files they take a server's start twice as long. `serve.js` is the server
 * without its process, for tests that start many. Outside stay what
 * is machine code (argon2, sharp), what reads files beside itself (pdfkit), and the driver of the database, of which there must be one: TypeORM asks for it by name when it runs.
 */
import { defineConfig } from 'vite';

export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist',
    target: 'node20',
    minify: false,
    rolldownOptions: {
      input: { main: 'src/main.ts', serve: 'src/serve.ts', taskThread: 'src/tasks/taskThread.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
    },
  },
  ssr: { noExternal: true, external: ['@node-rs/argon2', 'pdfkit', 'pg', 'pg-pool', 'sharp'] },
});
