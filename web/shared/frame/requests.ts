import { inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { ActivatedRoute, Router } from '@angular/router';

const PREFIX = 'do:';

/** Opens a screen and asks it to do something, which it says it can by `onRequest`. */
export function askFor(router: Router, screen: string, request: string): void {
  void router.navigate([screen], { fragment: `${PREFIX}${request}` });
}

/**
 * Does what a screen is asked to do as it is opened, or while it is open; once each time. A request may carry a word
 * behind `=`. Called where things are injected.
 */
export function onRequest(handlers: Readonly<Record<string, (word: string | undefined) => void>>): void {
  const [router, route] = [inject(Router), inject(ActivatedRoute)];
  route.fragment.pipe(takeUntilDestroyed()).subscribe((fragment) => {
    if (!fragment?.startsWith(PREFIX)) return;
    const [name = '', word] = fragment.slice(PREFIX.length).split('=');
    // Out of the address, so that a reload does not do it again.
    void router.navigate([], { relativeTo: route, queryParamsHandling: 'preserve', replaceUrl: true });
    handlers[name]?.(word);
  });
}
