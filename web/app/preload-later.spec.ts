import { of, throwError, type Observable } from 'rxjs';
import { PreloadLater } from './preload-later';

describe('The other screens', () => {
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  function loaded(load: () => Observable<unknown>): string[] {
    const seen: string[] = [];
    new PreloadLater().preload({}, load).subscribe({
      next: () => seen.push('loaded'),
      error: () => seen.push('failed'),
      complete: () => seen.push('done'),
    });
    jasmine.clock().tick(4999);
    expect(seen).toEqual([]);
    jasmine.clock().tick(1);
    return seen;
  }

  it('are loaded once the first has had time to show, and one that cannot be is no fault', () => {
    expect(loaded(() => of(1))).toEqual(['loaded', 'done']);
    expect(loaded(() => throwError(() => new Error('no network')))).toEqual(['done']);
  });
});
