import { Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { catchError, EMPTY, switchMap, timer, type Observable } from 'rxjs';

const AFTER_MS = 5000;

/**
 * Loads the other screens once the first one has had time to show, so that they open at once and also when the network
 * has gone meanwhile. One that cannot be loaded keeps nobody else back: it is asked for again when somebody opens it.
 */
@Injectable({ providedIn: 'root' })
export class PreloadLater implements PreloadingStrategy {
  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    return timer(AFTER_MS).pipe(
      switchMap(load),
      catchError(() => EMPTY),
    );
  }
}
