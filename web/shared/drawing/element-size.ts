import { DestroyRef, inject, signal, type ElementRef, type Signal } from '@angular/core';

/** Inner size of an element in pixels as it changes. To be called while a component is made. */
export function elementSize(
  element: ElementRef<HTMLElement>,
): Signal<{ readonly width: number; readonly height: number }> {
  const size = signal({ width: 800, height: 600 });
  const observer = new ResizeObserver(([entry]) => {
    if (entry)
      size.set({ width: Math.max(1, entry.target.clientWidth), height: Math.max(1, entry.target.clientHeight) });
  });
  observer.observe(element.nativeElement);
  inject(DestroyRef).onDestroy(() => observer.disconnect());
  return size.asReadonly();
}
