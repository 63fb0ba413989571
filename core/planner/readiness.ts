import { avoids, sharesLanguage, type Guest, type Instructor } from '../day';
import type { Timetable } from './timetable';

/** Whether this guest may be with this instructor at all. */
export function mayTeach(instructor: Instructor, guest: Guest): boolean {
  return sharesLanguage(instructor, guest) && !avoids(guest, instructor);
}

function has(timetable: Timetable, guest: Guest, kind: 'briefing' | 'sighting'): boolean {
  return timetable.guest(guest.id).some((hold) => hold.kind === kind);
}

/** Whether the guest still has to be put into a class. */
export function needsBriefing(timetable: Timetable, guest: Guest | undefined): guest is Guest {
  return guest !== undefined && guest.drives.length > 0 && !guest.briefed && !has(timetable, guest, 'briefing');
}

/** Whether the guest, with the class behind or planned, still has to be put into a sighting run. */
export function needsSighting(timetable: Timetable, guest: Guest | undefined): guest is Guest {
  if (!guest || guest.drives.length === 0 || guest.sighted || has(timetable, guest, 'sighting')) return false;
  return guest.briefed || has(timetable, guest, 'briefing');
}

/** Whether class and sighting run are behind the guest, or at least planned. */
export function isReady(timetable: Timetable, guest: Guest): boolean {
  return (guest.briefed || has(timetable, guest, 'briefing')) && (guest.sighted || has(timetable, guest, 'sighting'));
}
