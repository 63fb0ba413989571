import { wallClock } from '@core/values';
import type { Db } from '../database';

/**
 * A small day as the first program that kept a database wrote it: every document and one entry of each kind in the words
 * of that time. It never changes: what is added since has to be read beside it.
 */
export const FIRST_FORM_DATE = '2027-05-22';

const hours = [{ from: '08:30', to: '18:00' }];

const VENUE = {
  name: 'Larkmere Flying-Boat Station',
  timeZone: 'Atlantic/Faroe',
  currency: 'EUR',
  opens: '08:30',
  closes: '18:00',
  condition: { name: 'dry', paceFactor: 1 },
  circuit: {
    name: 'Slipway',
    lapLengthM: 2310,
    closures: [{ from: '12:30', to: '13:00', reason: 'quiet half-hour' }],
  },
  rules: {
    releaseGapS: 45,
    maxCarsOnTrack: 5,
    setUpS: 240,
    wrapUpS: 240,
    turnaroundS: 120,
    guestRestS: 300,
    refuelBays: 1,
    firstLapFactor: 1.12,
    outLapCounts: true,
    briefing: { durationS: 1500, seats: 16, rooms: 1 },
    sighting: { laps: 2, setUpS: 120, wrapUpS: 120 },
  },
  paces: { first: 1.25, before: 1.12, quick: 1 },
  sightingVehicles: [{ id: 's1', name: 'Heron', seats: 6, lapTimeS: 112, available: hours }],
};

const CAR = {
  id: 'c4',
  number: 4,
  name: 'Halyard GT',
  level: 3,
  lapTimeS: 79,
  gearboxes: ['auto', 'paddle'],
  available: hours,
  fuel: { capacityL: 75, startL: 52, reserveL: 10, perLapL: 1.5, refuelS: 480 },
  cooling: { afterLaps: 28, restS: 900 },
  fit: { maxHeightCm: 196 },
};

const INSTRUCTOR = {
  id: 'i1',
  name: 'Odile Varga',
  cars: 'all',
  languages: ['en', 'fr'],
  available: [{ from: '08:30', to: '17:30' }],
  maxSeatS: 5400,
  restS: 900,
  meal: { from: '11:30', to: '14:00', durationS: 1800 },
  maxLaps: 130,
  levelLaps: { '5': 40 },
  brief: true,
  sighting: true,
};

const BOOKING = {
  reference: 'LK-1001',
  name: 'Ada Quill',
  birthday: '1990-04-02',
  party: 'Quill',
  languages: ['en'],
  arrives: '09:00',
  leavesBy: '13:00',
  heightCm: 171,
  helmet: 'M',
  pace: 'first',
  prompting: true,
  sequence: 'any',
  price: 219,
  paid: 100,
  briefed: false,
  sighted: false,
  avoidInstructors: [],
  preferInstructors: ['i1'],
  drives: [
    { id: 'd1', cars: ['c4'], laps: 6, gearbox: 'auto' },
    { id: 'd2', cars: ['c4'], laps: 8 },
  ],
};

const PLAN = {
  format: 'joylap-plan',
  version: 1,
  date: FIRST_FORM_DATE,
  briefings: [{ instructor: 'i1', start: '09:30', guests: ['g1'] }],
  sightings: [{ vehicle: 's1', instructor: 'i1', release: '10:05', guests: ['g1'] }],
  drives: [{ drive: 'd1', car: 'c4', instructor: 'i1', release: '10:30' }],
  refuels: [{ car: 'c4', start: '11:10' }],
  unplanned: [{ drive: 'd2', reason: 'no car is free before the guest leaves' }],
};

/** What is told of each kind besides its id, its time and who says so. */
const ENTRIES: readonly (readonly [kind: string, fields?: object])[] = [
  ['planAccepted', { revision: 1 }],
  ['guestArrived', { guest: 'g1' }],
  ['waiverSigned', { guest: 'g1' }],
  ['licenceSeen', { guest: 'g1' }],
  ['helmetFitted', { guest: 'g1', size: 'M' }],
  ['classBegan', { instructor: 'i1', guests: ['g1'] }],
  ['classEnded', { instructor: 'i1', guests: ['g1'] }],
  ['sightingBegan', { vehicle: 's1', instructor: 'i1', guests: ['g1'] }],
  ['sightingEnded', { vehicle: 's1' }],
  ['fuelRead', { car: 'c4', litres: 48.5 }],
  ['seated', { drive: 'd1', car: 'c4', instructor: 'i1' }],
  ['unseated', { drive: 'd1' }],
  ['seated', { drive: 'd1', car: 'c4', instructor: 'i1' }],
  ['released', { drive: 'd1' }],
  ['lapCounted', { drive: 'd1', source: 'hand' }],
  ['lapCounted', { drive: 'd1', source: 'loop' }],
  ['lapSpoiled', { drive: 'd1', lap: 1, reason: 'slow car ahead' }],
  ['extraLapGranted', { drive: 'd1' }],
  ['broughtIn', { drive: 'd1' }],
  ['parked', { drive: 'd1' }],
  ['debriefed', { drive: 'd1' }],
  ['guestUnwell', { guest: 'g1', note: 'dizzy' }],
  ['guestWell', { guest: 'g1' }],
  ['carHeld', { car: 'c4', reason: 'brake pedal long' }],
  ['carReady', { car: 'c4' }],
  ['refuelBegan', { car: 'c4' }],
  ['refuelEnded', { car: 'c4' }],
  ['breakBegan', { instructor: 'i1', what: 'meal' }],
  ['crewBack', { instructor: 'i1' }],
  ['noteTaken', { text: 'Wind from the lake', guest: 'g1' }],
  ['deskDone', { guest: 'g1' }],
  ['guestLeft', { guest: 'g1' }],
  ['guestNoShow', { guest: 'g1' }],
  ['correction', { corrects: 'first-32', reason: 'was here' }],
];
export const FIRST_FORM_ENTRIES = ENTRIES.length;

/** Writes that day into a database of any form, as its columns were named in the first. */
export function writeFirstForm(db: Db): void {
  const insert = (table: string, row: Record<string, string | number>) => {
    const names = Object.keys(row);
    const values = names.map((name) => `@${name}`);
    db.prepare(`insert into ${table} (${names.join(', ')}) values (${values.join(', ')})`).run(row);
  };
  const date = FIRST_FORM_DATE;
  const first = (fields: object) => ({ version: 1, document: JSON.stringify(fields) });
  insert('venue', { id: 1, ...first(VENUE) });
  insert('surface', { id: 'main', name: 'Slipway' });
  insert('car', { id: CAR.id, position: 0, ...first(CAR) });
  insert('instructor', { id: INSTRUCTOR.id, position: 0, ...first(INSTRUCTOR) });
  insert('event_day', { date, created_at: '2027-05-20T08:00:00.000Z' });
  insert('booking', { id: 'g1', date, reference: BOOKING.reference, ...first(BOOKING) });
  insert('plan_revision', {
    ...{ date, surface: 'main', revision: 1, author: 'Maren, manager', reason: 'First plan' },
    ...{ accepted_at: '2027-05-22T07:50:00.000Z', document: JSON.stringify(PLAN) },
  });
  for (const [place, [kind, fields]] of ENTRIES.entries()) {
    const id = `first-${String(place).padStart(2, '0')}`;
    const at = wallClock(9 * 3600 + place * 300);
    const document = JSON.stringify({ id, at, by: 'Desk', kind, ...fields });
    insert('journal_entry', { date, seq: place + 1, id, recorded_at: '2027-05-22T18:00:00.000Z', document });
  }
}
