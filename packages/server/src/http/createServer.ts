/** The server's sockets: http or https, and an end to every wait for a client. */
import { readFileSync } from 'node:fs';
import http from 'node:http';
import https from 'node:https';
import type { Express } from 'express';

/** Who says nothing for so long, or takes nothing of what is sent, is let go. A live stream is written to more often. */
const SILENT_MS = 60_000;
const HEADERS_MS = 20_000;
/** A whole backup over a slow network. */
const REQUEST_MS = 20 * 60_000;
/** Longer than browsers and proxies keep an idle connection, so that none is closed as a request arrives (common practice). */
const KEEP_ALIVE_MS = 75_000;
const MOST_CONNECTIONS = 4000;

/** @param tls the files of certificate and key; null for plain http */
export function createServer(
  app: Express,
  tls: { readonly certFile: string; readonly keyFile: string } | null,
): http.Server {
  const options = { headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS, keepAliveTimeout: KEEP_ALIVE_MS };
  const server = tls
    ? https.createServer({ ...options, ...readTls(tls), minVersion: 'TLSv1.2' }, app)
    : http.createServer(options, app);
  server.setTimeout(SILENT_MS);
  server.maxConnections = MOST_CONNECTIONS;
  return server;
}

/** @throws naming the file that cannot be read */
function readTls({ certFile, keyFile }: { readonly certFile: string; readonly keyFile: string }) {
  const read = (name: string, file: string) => {
    try {
      return readFileSync(file);
    } catch (error) {
      throw new Error(`${name}: "${file}" cannot be read. npm run certificate makes one.`, { cause: error });
    }
  };
  return { cert: read('LQ_TLS_CERT', certFile), key: read('LQ_TLS_KEY', keyFile) };
}
