import { afterNextRender, DestroyRef, inject, signal, type ElementRef, type Signal } from '@angular/core';

/** Inner size of an element in pixels as it changes, from the first picture on. To be called while a component is made. */
export function elementSize(
  element: ElementRef<HTMLElement>,
): Signal<{ readonly width: number; readonly height: number }> {
  const size = signal({ width: 800, height: 600 });
  const measure = () => {
    const { clientWidth, clientHeight } = element.nativeElement;
    size.set({ width: Math.max(1, clientWidth), height: Math.max(1, clientHeight) });
  };
  const observer = new ResizeObserver(measure);
  observer.observe(element.nativeElement);
  afterNextRender({ read: measure });
  inject(DestroyRef).onDestroy(() => observer.disconnect());
  return size.asReadonly();
}
