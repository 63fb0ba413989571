import { DOCUMENT, inject, DestroyRef } from '@angular/core';

/**
 * Keeps the screen on while the component that calls it lives, where the browser can do that. A browser lets go of it when
 * the page is hidden; it is asked for again when the page comes back. Called where things are injected.
 */
export function keepScreenOn(): void {
  const document = inject(DOCUMENT);
  let held: Promise<WakeLockSentinel | undefined> | undefined;
  const keepOn = () => {
    if (document.visibilityState !== 'visible') return;
    held = navigator.wakeLock?.request('screen').catch(() => undefined);
  };
  keepOn();
  document.addEventListener('visibilitychange', keepOn);
  inject(DestroyRef).onDestroy(() => {
    document.removeEventListener('visibilitychange', keepOn);
    void held?.then((sentinel) => sentinel?.release());
  });
}
