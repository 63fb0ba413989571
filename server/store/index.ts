import { carFields } from '@core/venue/fleet';
import { faultEntry } from '@core/people/coaching/at-start';
import { instructorFields } from '@core/people/crew/at-start';
import type { Db } from './database';
import { bookingStore } from './bookings';
import { dayStore } from './days';
import { deviceStore } from './devices';
import { documentTable } from './documents';
import { groupStore } from './groups';
import { guestStore } from './guests';
import { journalStore } from './journal';
import { listWordStore } from './list-words';
import { managerStore } from './manager';
import { phoneStore } from './phones';
import { planJobStore } from './plan-jobs';
import { photoStore } from './photos';
import { rosterStore } from './roster';
import { circuitStore, showStore } from './singles';
import { trackStore } from './tracks';
import { venueStore } from './venue';

/** All tables behind one face; SQL is prepared once. */
export function openStore(db: Db) {
  return {
    db,
    venue: venueStore(db),
    cars: documentTable(db, 'car', carFields),
    instructors: documentTable(db, 'instructor', instructorFields),
    faults: documentTable(db, 'fault', faultEntry),
    roster: rosterStore(db),
    manager: managerStore(db),
    days: dayStore(db),
    bookings: bookingStore(db),
    groups: groupStore(db),
    listWords: listWordStore(db),
    journal: journalStore(db),
    planJobs: planJobStore(db),
    devices: deviceStore(db),
    phones: phoneStore(db),
    circuit: circuitStore(db),
    show: showStore(db),
    photos: photoStore(db),
    guests: guestStore(db),
    tracks: trackStore(db),
  };
}
export type Store = ReturnType<typeof openStore>;
