import { text } from 'node:stream/consumers';
import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout } from 'node:timers/promises';
import { heldUntilOpen } from './held';

describe('A server that listens before its data are open', () => {
  let server: Server;
  let url: string;
  let open: ReturnType<typeof heldUntilOpen>['open'];
  beforeEach(async () => {
    const held = heldUntilOpen();
    open = held.open;
    server = createServer(held.listener);
    server.listen(0, '127.0.0.1');
    await once(server, 'listening');
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterEach(() => {
    server.closeAllConnections();
    server.close();
  });

  it('lets requests wait, and answers each once they are, with its body', async () => {
    let answered = 0;
    const ask = async (n: number) => {
      const reply = await (await fetch(`${url}/${n}`, { method: 'POST', body: `body ${n}` })).text();
      answered++;
      return reply;
    };
    const early = [1, 2, 3].map(ask);
    await setTimeout(100);
    expect(answered).toBe(0);
    open((request, response) => {
      void text(request).then((body) => response.end(`${request.url}: ${body}`));
    });
    expect(await Promise.all(early)).toEqual(['/1: body 1', '/2: body 2', '/3: body 3']);
    expect(await ask(4)).toBe('/4: body 4');
  });

  it('does not answer who has gone meanwhile, and tells who is one too many to come again', async () => {
    const gone = new AbortController();
    const left = fetch(`${url}/gone`, { signal: gone.signal }).catch(() => 'gone');
    const others = Array.from({ length: 499 }, (_, n) => fetch(`${url}/${n}`));
    await setTimeout(300);
    const { status, headers } = await fetch(`${url}/late`);
    expect([status, headers.get('retry-after')]).toEqual([503, '2']);
    gone.abort();
    await left;
    await setTimeout(100);
    const asked: string[] = [];
    open((request, response) => {
      asked.push(request.url!);
      response.end();
    });
    await Promise.all(others);
    expect(asked.length).toBe(499);
    expect(asked).not.toContain('/gone');
  });
});
