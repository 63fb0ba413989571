import { once } from 'node:events';
import { createServer, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Hub, MOST_STREAMS_AN_ADDRESS, MOST_WAITING_BYTES } from './hub';
import { bookingBody, DATE, testServer } from '../../testing/test-server';

/** Reads server-sent events until so many of a kind have come. */
async function events(
  url: string,
  kind: string,
  count: number,
  headers: Record<string, string> = {},
): Promise<string[]> {
  const abort = new AbortController();
  const response = await fetch(url, { headers, signal: abort.signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  const found = () => [...text.matchAll(new RegExp(`id: (\\d+)\\nevent: ${kind}\\n`, 'g'))].map((match) => match[1]!);
  while (found().length < count) {
    const { value, done } = await reader.read();
    if (done) break;
    text += value;
  }
  abort.abort();
  return found();
}

describe('The live stream', () => {
  it('drops a reader who does not read, so that the server does not grow, and takes only so many', () => {
    const hub = new Hub();
    const streams = Array.from({ length: MOST_STREAMS_AN_ADDRESS }, () => fakeResponse());
    for (const stream of streams) hub.listen(stream as never, { date: DATE }, []);
    expect(() => hub.listen(fakeResponse() as never, { date: DATE }, [])).toThrowError(/Too many screens/);
    const [stuck, reads] = [streams[0]!, streams[1]!];
    stuck.writableLength = MOST_WAITING_BYTES;
    hub.changed('clock');
    expect([stuck.destroyed, reads.destroyed]).toEqual([true, false]);
    const told = reads.written.length;
    hub.changed('clock', DATE);
    expect([reads.written.length, stuck.written.some((text) => text.includes('clock'))]).toEqual([told + 1, false]);
    // There is room for another again.
    hub.listen(fakeResponse() as never, { date: DATE }, []);
    hub.close();
  });

  it('counts no screen that has gone before its stream began, and none that goes', async () => {
    const hub = new Hub();
    const listening = createServer().listen(0, '127.0.0.1');
    await once(listening, 'listening');
    const url = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
    for (const late of [true, false]) {
      const abort = new AbortController();
      const asked = fetch(url, { signal: abort.signal }).catch(() => undefined);
      const [, response] = (await once(listening, 'request')) as [unknown, ServerResponse];
      const gone = once(response, 'close');
      if (!late) hub.listen(response as never, { date: DATE }, []);
      expect(hub.screens).toBe(late ? 0 : 1);
      abort.abort();
      await Promise.all([asked, gone]);
      if (late) hub.listen(response as never, { date: DATE }, []);
      expect(hub.screens).toBe(0);
    }
    hub.close();
    listening.close();
  });

  const fakeResponse = () => ({
    req: { socket: { remoteAddress: '192.0.2.7' } },
    writableLength: 0,
    destroyed: false,
    written: [] as string[],
    writeHead: () => undefined,
    write(text: string) {
      this.written.push(text);
    },
    on: () => undefined,
    end: () => undefined,
    destroy() {
      this.destroyed = true;
    },
  });

  it('sends each entry with its number, and what was missed to a screen that comes back', async () => {
    const server = testServer();
    const listening = server.app.listen(0, '127.0.0.1');
    await once(listening, 'listening');
    const base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}/api/days/${DATE}`;
    try {
      const { body } = await server.http.post(`/api/days/${DATE}/bookings`).send(bookingBody());
      const enter = (number: number, kind: string) =>
        server.http
          .post(`/api/days/${DATE}/journal`)
          .send({ id: `entry-000${number}`, at: `09:0${number}`, by: 'Desk', kind, guest: body.id })
          .expect(201);
      const live = events(`${base}/stream`, 'entry', 2);
      await new Promise((resolve) => setTimeout(resolve, 100));
      await enter(1, 'guestArrived');
      await enter(2, 'waiverSigned');
      expect(await live).toEqual(['1', '2']);
      await enter(3, 'licenceSeen');
      expect(await events(`${base}/stream`, 'entry', 2, { 'last-event-id': '1' })).toEqual(['2', '3']);
    } finally {
      server.close();
      listening.closeAllConnections();
      listening.close();
    }
  });
});
