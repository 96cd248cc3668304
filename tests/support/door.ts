import { createServer, request, type Server } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';

/** A door in front of the server that can be shut: the server is away for whoever comes through it. */
export class Door {
  private readonly sockets = new Set<Socket>();
  private isShut = false;
  private constructor(
    private readonly server: Server,
    readonly url: string,
  ) {}

  static async before(base: string): Promise<Door> {
    const target = new URL(base);
    const server = createServer((incoming, outgoing) => {
      const forward = request(
        {
          host: target.hostname,
          port: target.port,
          method: incoming.method,
          path: incoming.url,
          headers: incoming.headers,
        },
        (answer) => {
          outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(outgoing);
        },
      );
      forward.on('error', () => outgoing.destroy());
      incoming.pipe(forward);
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const door = new Door(server, `http://127.0.0.1:${(server.address() as AddressInfo).port}`);
    server.on('connection', (socket) => {
      if (door.isShut) socket.destroy();
      door.sockets.add(socket);
      socket.on('close', () => door.sockets.delete(socket));
    });
    return door;
  }

  shut() {
    this.isShut = true;
    for (const socket of this.sockets) socket.destroy();
  }

  open() {
    this.isShut = false;
  }

  async takeAway() {
    this.shut();
    await new Promise((resolve) => this.server.close(resolve));
  }
}
