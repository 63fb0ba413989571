import { defer, of, throwError } from 'rxjs';
import { ApiError } from './api';
import { pauseMs, retryWhileAway } from './retry';

describe('Trying again', () => {
  const away = new ApiError(undefined);
  const refused = new ApiError({ type: 'about:blank', title: 'Conflict', status: 409, detail: 'no' });
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  it('waits twice as long each time, up to half a minute', () => {
    expect([1, 2, 3, 4, 5, 6, 40].map(pauseMs)).toEqual([2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000]);
  });

  it('goes on until there is an answer, one try at a time, and says before each pause that nobody answers', () => {
    let tries = 0;
    const told: string[] = [];
    const got: number[] = [];
    defer(() => (++tries < 3 ? throwError(() => away) : of(tries)))
      .pipe(retryWhileAway(({ message }) => told.push(message)))
      .subscribe((value) => got.push(value));
    expect([tries, told.length]).toEqual([1, 1]);
    jasmine.clock().tick(1999);
    expect(tries).toBe(1);
    jasmine.clock().tick(1);
    expect([tries, told.length, got]).toEqual([2, 2, []]);
    jasmine.clock().tick(4000);
    expect([tries, got]).toEqual([3, [3]]);
  });

  it('takes a refusal for an answer', () => {
    let tries = 0;
    let failed: unknown;
    defer(() => {
      tries += 1;
      return throwError(() => refused);
    })
      .pipe(retryWhileAway())
      .subscribe({ error: (error: unknown) => (failed = error) });
    jasmine.clock().tick(60_000);
    expect([tries, failed]).toEqual([1, refused]);
  });

  it('ends with whoever asked', () => {
    let tries = 0;
    const asking = defer(() => {
      tries += 1;
      return throwError(() => away);
    })
      .pipe(retryWhileAway())
      .subscribe();
    asking.unsubscribe();
    jasmine.clock().tick(60_000);
    expect(tries).toBe(1);
  });
});
