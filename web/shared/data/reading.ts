import { effect, inject, linkedSignal, type ResourceRef, type Signal } from '@angular/core';
import { DayService } from './day.service';

/** What has been read from the server; nothing while it is being read and where it could not be. */
export function known<T>(resource: ResourceRef<T | undefined>): T | undefined {
  return resource.hasValue() ? resource.value() : undefined;
}

/** What was read last, kept while it is read again or where that fails. */
export function lastKnown<T>(resource: ResourceRef<T | undefined>): Signal<T | undefined> {
  return linkedSignal<T | undefined, T | undefined>({
    source: () => known(resource),
    computation: (read, before) => read ?? before?.value,
  });
}

/** Says why something could not be read where there is no room for it on the screen. */
export function sayUnread(resource: ResourceRef<unknown>): void {
  const data = inject(DayService);
  effect(() => {
    const error = resource.error();
    if (error) data.refuse(error.message);
  });
}
