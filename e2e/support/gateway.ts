import { createServer, connect, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';

/** A gate between a server under test and its database, on loopback: shut it, and the database is away. */
export class Gateway {
  private server: Server | null = null;
  private readonly sockets = new Set<Socket>();
  private port = 0;

  constructor(private readonly to: URL) {}

  /** Opens the gate, on the same port each time, and gives the database's address through it. */
  async open(): Promise<string> {
    this.server = createServer((inner) => {
      const outer = connect(Number(this.to.port), this.to.hostname);
      for (const socket of [inner, outer]) {
        this.sockets.add(socket);
        socket.on('error', () => undefined);
        socket.on('close', () => this.sockets.delete(socket));
      }
      inner.pipe(outer).pipe(inner);
    });
    await new Promise<void>((resolve) => this.server!.listen(this.port, '127.0.0.1', resolve));
    this.port = (this.server.address() as AddressInfo).port;
    const through = new URL(this.to);
    through.port = String(this.port);
    return through.href;
  }

  async shut(): Promise<void> {
    for (const socket of this.sockets) socket.destroy();
    await new Promise<void>((resolve) => this.server?.close(() => resolve()));
  }
}
