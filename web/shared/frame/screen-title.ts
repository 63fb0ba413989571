import type { Routes } from '@angular/router';

/** The title of the screen at an address, as its route has it; nothing where there is none. */
export function screenTitle(address: string, routes: Routes): string | undefined {
  const path = address.slice(1).split('?')[0]!;
  const start = path.split('/')[0]!;
  const route = routes.find((one) => one.path === path) ?? routes.find((one) => one.path?.split('/')[0] === start);
  return typeof route?.title === 'string' ? route.title.split(' · ')[0]! : undefined;
}
