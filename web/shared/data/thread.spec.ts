import { Thread, ThreadFault } from './thread';

/** What a worker of these tests answers, by its own message protocol that comlink speaks: here in plain script. */
const SCRIPT = `
  const thread = {
    double: (value) => value * 2,
    fails: () => { throw new Error('no such lap'); },
    die: () => { setTimeout(() => { throw new Error('out of memory'); }); return new Promise(() => undefined); },
  };
  addEventListener('message', async ({ data: { id, type, path, argumentList } }) => {
    if (type !== 'APPLY') return;
    try {
      const value = await thread[path[0]](...argumentList.map(({ value }) => value));
      postMessage({ id, type: 'RAW', value });
    } catch (error) {
      postMessage({ id, type: 'HANDLER', name: 'throw', value: { isError: true, value: { message: error.message, name: error.name, stack: '' } } });
    }
  });
`;
interface Thing {
  double: (value: number) => number;
  fails: () => number;
  die: () => Promise<number>;
}

describe('A thread', () => {
  let begun = 0;
  let thread: Thread<Thing>;
  beforeEach(() => {
    begun = 0;
    thread = new Thread<Thing>(() => {
      begun += 1;
      return new Worker(URL.createObjectURL(new Blob([SCRIPT], { type: 'text/javascript' })));
    });
  });
  afterEach(() => thread.end());

  it('begins with the first question and answers each, also out of turn', async () => {
    expect(begun).toBe(0);
    const answers = await Promise.all([1, 2, 3].map((value) => thread.ask((remote) => remote.double(value))));
    expect([answers, begun]).toEqual([[2, 4, 6], 1]);
  });

  it('gives back what a computation throws, and lives on', async () => {
    await expectAsync(thread.ask((remote) => remote.fails())).toBeRejectedWithError('no such lap');
    expect(await thread.ask((remote) => remote.double(4))).toBe(8);
    expect(begun).toBe(1);
  });

  it('tells everybody who waits when it dies, and the next question begins another', async () => {
    const waiting = [thread.ask((remote) => remote.die()), thread.ask((remote) => remote.die())];
    for (const answer of waiting) await expectAsync(answer).toBeRejectedWithError(ThreadFault, /out of memory/);
    expect(await thread.ask((remote) => remote.double(21))).toBe(42);
    expect(begun).toBe(2);
  });

  it('can be ended, and begins again where it is asked once more', async () => {
    await thread.ask((remote) => remote.double(1));
    thread.end();
    expect(await thread.ask((remote) => remote.double(2))).toBe(4);
    expect(begun).toBe(2);
  });
});
