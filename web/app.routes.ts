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
    path: 'handover',
    title: 'Handover · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./handover/handover').then((m) => m.HandoverScreen),
  },
  {
    path: 'marks/:id',
    title: 'Marks · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./marks/marks').then((m) => m.Marks),
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
    path: 'results/:id',
    title: 'Results · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./progress/results').then((m) => m.Results),
  },
  {
    path: 'times/:id',
    title: 'Times · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./progress/times').then((m) => m.Times),
  },
  {
    path: 'close',
    title: 'Close · Joy Lap',
    loadComponent: () => import('./close/close').then((m) => m.Close),
  },
  {
    path: 'party/:id',
    title: 'Party · Joy Lap',
    loadComponent: () => import('./progress/party').then((m) => m.Party),
  },
  {
    path: 'bookings',
    title: 'Bookings · Joy Lap',
    loadComponent: () => import('./bookings/bookings').then((m) => m.Bookings),
  },
  { path: 'cars', title: 'Cars · Joy Lap', loadComponent: () => import('./cars/cars').then((m) => m.Cars) },
  {
    path: 'crew',
    title: 'Crew · Joy Lap',
    loadComponent: () => import('./crew/crew-frame').then((m) => m.CrewFrame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'today' },
      { path: 'today', loadComponent: () => import('./crew/crew').then((m) => m.Crew) },
      { path: 'roster', loadComponent: () => import('./crew/roster').then((m) => m.RosterScreen) },
      { path: 'faults', loadComponent: () => import('./crew/vocabulary').then((m) => m.VocabularyScreen) },
      { path: 'teaching', loadComponent: () => import('./crew/teaching').then((m) => m.TeachingScreen) },
    ],
  },
  { path: 'garage', title: 'Garage · Joy Lap', loadComponent: () => import('./garage/garage').then((m) => m.Garage) },
  {
    path: 'circuit',
    title: 'Circuit · Joy Lap',
    loadComponent: () => import('./circuit/circuit-frame').then((m) => m.CircuitFrame),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'map' },
      { path: 'map', loadComponent: () => import('./circuit/circuit-editor').then((m) => m.CircuitEditor) },
      { path: 'book', loadComponent: () => import('./circuit/corner-book').then((m) => m.CornerBookScreen) },
      { path: 'set-out', loadComponent: () => import('./circuit/set-out').then((m) => m.SetOut) },
      { path: 'cars', loadComponent: () => import('./circuit/fleet').then((m) => m.Fleet) },
      { path: 'calls', loadComponent: () => import('./calls/call-sheet').then((m) => m.CallSheet) },
    ],
  },
  {
    path: 'calls',
    title: 'Calls · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./calls/call-sheet').then((m) => m.CallSheet),
  },
  {
    path: 'set-out',
    title: 'Set-out · Joy Lap',
    data: { phone: true },
    loadComponent: () => import('./circuit/set-out').then((m) => m.SetOut),
  },
  {
    path: 'show',
    title: 'Show · Joy Lap',
    loadComponent: () => import('./show/show').then((m) => m.Show),
  },
  {
    path: 'show/edit',
    title: 'Show · Joy Lap',
    loadComponent: () => import('./show/show-editor').then((m) => m.ShowEditor),
  },
  {
    path: 'devices',
    title: 'Devices · Joy Lap',
    loadComponent: () => import('./devices/devices').then((m) => m.Devices),
  },
  { path: 'rules', title: 'Rules · Joy Lap', loadComponent: () => import('./rules/rules').then((m) => m.RulesScreen) },
  { path: '**', redirectTo: 'board' },
];
