import type { Routes } from '@angular/router';

/** Every screen is loaded when it is first opened. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'board' },
  { path: 'board', title: 'Board · Joy Lap', loadComponent: () => import('./board/board').then((m) => m.Board) },
  { path: 'gate', title: 'Gate · Joy Lap', loadComponent: () => import('./gate/gate').then((m) => m.Gate) },
  {
    path: 'classroom',
    title: 'Classroom · Joy Lap',
    loadComponent: () => import('./classroom/classroom').then((m) => m.Classroom),
  },
  {
    path: 'pit-exit',
    title: 'Pit exit · Joy Lap',
    data: { tablet: true },
    loadComponent: () => import('./pit-exit/pit-exit').then((m) => m.PitExit),
  },
  {
    path: 'counter',
    title: 'Counter · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./counter/counter').then((m) => m.Counter),
  },
  {
    path: 'debrief',
    title: 'Debrief · Joy Lap',
    loadComponent: () => import('./debrief/debrief').then((m) => m.Debrief),
  },
  { path: 'desk', title: 'Desk · Joy Lap', loadComponent: () => import('./desk/desk').then((m) => m.Desk) },
  {
    path: 'guests/:id',
    title: 'Guest · Joy Lap',
    loadComponent: () => import('./guest-card/guest-card').then((m) => m.GuestCard),
  },
  {
    path: 'bookings',
    title: 'Bookings · Joy Lap',
    loadComponent: () => import('./bookings/bookings').then((m) => m.Bookings),
  },
  { path: 'cars', title: 'Cars · Joy Lap', loadComponent: () => import('./cars/cars').then((m) => m.Cars) },
  { path: 'crew', title: 'Crew · Joy Lap', loadComponent: () => import('./crew/crew').then((m) => m.Crew) },
  {
    path: 'devices',
    title: 'Devices · Joy Lap',
    loadComponent: () => import('./devices/devices').then((m) => m.Devices),
  },
  { path: 'rules', title: 'Rules · Joy Lap', loadComponent: () => import('./rules/rules').then((m) => m.RulesScreen) },
  { path: '**', redirectTo: 'board' },
];
