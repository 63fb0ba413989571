import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { switchMap, timer, type Observable } from 'rxjs';

const AFTER_MS = 5000;

/**
 * Loads the other screens once the first one has had time to show, so that they open at once and also when the network
 * has gone meanwhile.
 */
@Injectable({ providedIn: 'root' })
export class PreloadLater implements PreloadingStrategy {
  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    return timer(AFTER_MS).pipe(switchMap(load));
  }
}
