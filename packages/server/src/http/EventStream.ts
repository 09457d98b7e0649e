/**
 * A stream of server-sent events to one page. Whoever holds one never learns that the connection is gone by an exception: what
 * is sent to a stream that is over is dropped. A reader that does not keep up is dropped too, so that what waits for it cannot
 * fill the server.
 */
import type { Request, Response } from 'express';

/** A change is some hundred bytes: so far behind, a page asks everything anew, which costs less. */
const MOST_WAITING_BYTES = 64 * 1024;

export class EventStream {
  private ended = false;
  private isBehind = false;

  /** @param onOver told once, however it ends */
  constructor(
    private readonly request: Request,
    private readonly response: Response,
    private readonly onOver: () => void,
  ) {
    // An answer that waits behind others on its connection hears nothing of that connection's end: each side is asked.
    for (const side of [request, response, request.socket]) side.once('close', this.over);
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store, no-transform',
      Connection: 'keep-alive',
    });
    if (request.socket.destroyed) this.over();
    this.write(': open\n\n');
  }

  get isOver(): boolean {
    return this.ended;
  }

  send(event: { readonly id: number; readonly data: unknown }): void {
    this.write(`id: ${event.id}\ndata: ${JSON.stringify(event.data)}\n\n`);
  }

  /** A line that keeps proxies from closing a quiet stream. Who has not read the last one by now reads no more. */
  beat(): void {
    const isBehind = this.response.writableLength > 0;
    if (isBehind && this.isBehind) this.drop();
    this.isBehind = isBehind;
    this.write(': still here\n\n');
  }

  /** Ends it in order; the page comes back by itself. */
  end(): void {
    if (this.ended) return;
    this.over();
    this.response.end();
  }

  private write(text: string): void {
    if (this.ended) return;
    if (this.response.writableLength > MOST_WAITING_BYTES) this.drop();
    else this.response.write(text);
  }

  /** Cuts the connection: for a reader that does not read, an end in order would wait behind what it has not read. */
  drop(): void {
    if (this.ended) return;
    this.over();
    this.request.socket.destroy();
  }

  private readonly over = (): void => {
    if (this.ended) return;
    this.ended = true;
    for (const side of [this.request, this.response, this.request.socket]) side.off('close', this.over);
    this.onOver();
  };
}
