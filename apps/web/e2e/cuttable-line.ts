/** A network that can be cut: a TCP relay in front of the server. */
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

export interface Line {
  readonly base: string;
  cut(): void;
  mend(): void;
  close(): void;
}

export async function lineTo(server: URL): Promise<Line> {
  let whole = true;
  const open = new Set<Socket>();
  const relay = createServer((near) => {
    if (!whole) return void near.destroy();
    const far = connect(Number(server.port), server.hostname);
    for (const [socket, other] of [
      [near, far],
      [far, near],
    ] as const) {
      open.add(socket);
      socket.on('error', () => undefined);
      socket.on('close', () => {
        open.delete(socket);
        other.destroy();
      });
      socket.pipe(other);
    }
  });
  await new Promise<void>((resolve) => relay.listen(0, '127.0.0.1', resolve));
  const { port } = relay.address() as AddressInfo;
  const cut = () => {
    whole = false;
    for (const socket of open) socket.destroy();
  };
  return {
    base: `http://127.0.0.1:${port}`,
    cut,
    mend: () => (whole = true),
    close: () => {
      cut();
      relay.close();
    },
  };
}
