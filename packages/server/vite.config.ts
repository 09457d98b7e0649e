/**
 * Builds the server into one file, npm packages and all, and what runs in a thread beside it into another: read as a thousand files they take a server's start twice as long. Outside stay what
 * is machine code (argon2, sharp), and the driver of the database, of which there must be one: TypeORM asks for it by name when it runs.
 */
import { defineConfig } from 'vite';

export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist',
    target: 'node20',
    minify: false,
    rolldownOptions: {
      input: { main: 'src/main.ts', taskThread: 'src/tasks/taskThread.ts' },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name].js' },
    },
  },
  ssr: { noExternal: true, external: ['@node-rs/argon2', 'pg', 'pg-pool', 'sharp'] },
});
