import type { Route, Routes } from '@angular/router';
import { SCREENS, type Screen } from './screens';

/** Every screen is loaded when it is first opened. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'board' },
  ...SCREENS.map(routeOf),
  { path: '**', redirectTo: 'board' },
];

function routeOf({ path, title, load, frame, stops, parts, places }: Screen): Route {
  return {
    path,
    title: `${title} · Joy Lap`,
    data: { frame: frame ?? 'desk', stops: stops ?? false, parts, places },
    loadComponent: load,
    ...(parts && {
      children: [
        { path: '', pathMatch: 'full', redirectTo: parts[0]!.path },
        ...parts.map((part): Route => ({ path: part.path, loadComponent: part.load })),
      ],
    }),
  };
}
