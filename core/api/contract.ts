import * as z from 'zod';
import { dayFile } from '../day/day-file';
import { planFile } from '../day/plan-file';
import { journalEntry, recordedEntry } from '../journal/entry';
import { circuitFile } from '../circuit/circuit-file';
import { circuitMap } from '../circuit/circuit-map';
import { showFields } from '../classroom/show';
import { dayClose } from '../closing/close-of-day';
import { dayBefore } from '../coaching/before';
import { faultEntry } from '../coaching/vocabulary';
import { teachingDrive } from '../coaching/teaching';
import { crewDay } from '../crew/load';
import { rosterEntry } from '../crew/roster';
import { instructorFields } from '../crew/skills';
import { carDay } from '../garage/usage';
import {
  booking,
  bookingFields,
  carFields,
  pitExitCustoms,
  storedCar,
  storedInstructor,
  storedVenue,
  venueFields,
} from './booking';
import { device, newDevice } from './devices';
import { circuitToRead, readCircuitReply, storedCircuit, storedShow } from './circuit';
import { managerCode, managerDoor, pairingReason, rosterPreview, storedFault, storedRosterEntry } from './crew';
import { importPreview } from './import';
import {
  acceptPlan,
  mendChange,
  offeredPlaces,
  oneMoreDrive,
  planJob,
  planRevision,
  startPlanning,
  takePlace,
} from './planning';

/** One request of the interface and its reply. On the wire everything is in its encoded form (times as wall clock). */
export interface Endpoint {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Express style, `/api/days/:date`. */
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly reply: z.ZodType;
  /** Status of a good reply, 200 where not given. */
  readonly status?: number;
  /** Statuses of expected refusals, each a problem document. */
  readonly refusals?: readonly number[];
}

const endpoint = <const E extends Endpoint>(definition: E): E => definition;

const date = z.strictObject({ date: z.iso.date('expected a date, YYYY-MM-DD') });
const id = z.strictObject({ id: z.string().min(1).max(64) });
const dateAndId = z.strictObject({ ...date.shape, ...id.shape });
const author = z.string().trim().min(1).max(100);
const version = z.number().int().min(1);

/** A fault of a request, as problem documents carry it. */
export const fault = z.object({ path: z.string(), message: z.string() });

/** Problem document (RFC 9457): every refusal has this shape. */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  /** A sentence for the person at the screen. */
  detail: z.string(),
  faults: z.array(fault).optional(),
  /** On a conflict: what is stored now. */
  current: z.unknown().optional(),
});
export type Problem = z.output<typeof problem>;

export const daySummary = z.object({
  date: z.iso.date(),
  bookings: z.number().int(),
  drives: z.number().int(),
  revision: z.number().int().nullable(),
});
export type DaySummary = z.output<typeof daySummary>;

/** The venue's clock: where it stood at a moment of real time, and how fast it runs. */
export const clock = z.object({
  date: z.iso.date(),
  /** Seconds since the venue's midnight at the moment of the reply, with fractions. */
  secondsOfDay: z.number().min(0),
  /** Venue seconds a real second; 0 while paused. */
  rate: z.number().min(0).max(60),
  /** Whether people may pause, speed up and set it. */
  adjustable: z.boolean(),
});
export type ClockReading = z.output<typeof clock>;

/** Everything a screen needs to show a day. */
export const dayView = z.object({
  day: dayFile,
  bookings: z.array(booking),
  carNumbers: z.record(z.string(), z.number().int()),
  /** The stall of each car that has one. */
  stalls: z.record(z.string(), z.number().int()),
  pitExit: pitExitCustoms,
  map: circuitMap.nullable(),
  /** What the venue has put into the vocabulary of faults. */
  faults: z.array(faultEntry),
  plan: planFile.nullable(),
  revision: planRevision.nullable(),
  journal: z.array(recordedEntry),
  clock,
});
export type DayView = z.output<typeof dayView>;

export const contract = {
  readVenue: endpoint({ method: 'get', path: '/api/venue', summary: 'The venue and its rules', reply: storedVenue }),
  changeVenue: endpoint({
    method: 'put',
    path: '/api/venue',
    summary: 'Change the venue or its rules',
    body: z.strictObject({ version, fields: venueFields }),
    reply: storedVenue,
    refusals: [409],
  }),
  readCircuit: endpoint({
    method: 'get',
    path: '/api/circuit',
    summary: "The venue's circuit, if it has one",
    reply: storedCircuit,
  }),
  changeCircuit: endpoint({
    method: 'put',
    path: '/api/circuit',
    summary: 'Change the circuit; one that nobody can drive is refused with the places of its faults',
    body: z.strictObject({ version: z.number().int().min(0), circuit: circuitFile }),
    reply: storedCircuit,
    refusals: [409, 422],
  }),
  previewCircuit: endpoint({
    method: 'post',
    path: '/api/circuit/preview',
    summary: 'What a circuit file (GeoJSON, CSV, GPX) holds and what had to be assumed; nothing is saved',
    body: circuitToRead,
    reply: readCircuitReply,
    refusals: [422],
  }),
  readShow: endpoint({ method: 'get', path: '/api/show', summary: 'The classroom show', reply: storedShow }),
  changeShow: endpoint({
    method: 'put',
    path: '/api/show',
    summary: 'Change order and words of the show, or its questions',
    body: z.strictObject({ version: z.number().int().min(0), fields: showFields }),
    reply: storedShow,
    refusals: [409],
  }),
  readGarage: endpoint({
    method: 'get',
    path: '/api/days/:date/garage',
    summary: 'What each car and each instructor did on each day up to this one, counted from the journals',
    params: date,
    reply: z.object({ days: z.array(carDay), crew: z.array(crewDay) }),
    refusals: [404],
  }),
  readBefore: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/before',
    summary: 'What a guest who has come back did on earlier days',
    params: dateAndId,
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404],
  }),
  linkGuests: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/same',
    summary:
      'Say that a guest of another day is the same person; nothing is changed but that, and it can be taken back',
    params: dateAndId,
    body: z.strictObject({ other: id.shape.id }),
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404, 409],
  }),
  unlinkGuests: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/not-same',
    summary: 'Take back that two guests are the same person',
    params: dateAndId,
    body: z.strictObject({ other: id.shape.id }),
    reply: z.object({ days: z.array(dayBefore) }),
    refusals: [404],
  }),
  eraseGuest: endpoint({
    method: 'post',
    path: '/api/days/:date/guests/:id/erase',
    summary: "Erase a guest's name, contact and words for good; laps stay as anonymous counts",
    params: dateAndId,
    reply: z.object({ erased: z.string() }),
    refusals: [404],
  }),
  readTrack: endpoint({
    method: 'get',
    path: '/api/days/:date/drives/:id/track',
    summary: 'Where the car of a drive was, as its tracker told',
    params: dateAndId,
    reply: z.object({ points: z.array(z.object({ atS: z.number(), atM: z.number(), leftM: z.number().optional() })) }),
    refusals: [404],
  }),
  readClose: endpoint({
    method: 'get',
    path: '/api/days/:date/close',
    summary: 'The day in figures, beside the same weekday a week before',
    params: date,
    reply: z.object({ today: dayClose, before: dayClose.nullable() }),
    refusals: [404],
  }),
  readClock: endpoint({ method: 'get', path: '/api/clock', summary: "The venue's clock", reply: clock }),
  adjustClock: endpoint({
    method: 'post',
    path: '/api/clock',
    summary: 'Pause, speed up or set the clock (demo only)',
    body: z.strictObject({
      rate: z.number().min(0).max(60).optional(),
      date: z.iso.date().optional(),
      secondsOfDay: z.number().min(0).max(86_399).optional(),
    }),
    reply: clock,
    refusals: [403],
  }),
  resetDemo: endpoint({
    method: 'post',
    path: '/api/demo/reset',
    summary: 'Put the demo back to its beginning (demo only)',
    reply: clock,
    refusals: [403],
  }),
  listDays: endpoint({
    method: 'get',
    path: '/api/days',
    summary: 'The event days',
    reply: z.object({ days: z.array(daySummary) }),
  }),
  addDay: endpoint({
    method: 'post',
    path: '/api/days',
    summary: 'Add an event day',
    body: date,
    reply: daySummary,
    status: 201,
    refusals: [409],
  }),
  readDay: endpoint({
    method: 'get',
    path: '/api/days/:date',
    summary: 'Everything a screen needs to show a day',
    params: date,
    reply: dayView,
    refusals: [404],
  }),
  addBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings',
    summary: 'Add a booking',
    params: date,
    body: bookingFields,
    reply: booking,
    status: 201,
    refusals: [404, 409],
  }),
  changeBooking: endpoint({
    method: 'put',
    path: '/api/days/:date/bookings/:id',
    summary: 'Change a booking; a stale version is refused and both are shown',
    params: dateAndId,
    body: z.strictObject({ version, fields: bookingFields }),
    reply: booking,
    refusals: [404, 409],
  }),
  cancelBooking: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/:id/cancel',
    summary: 'Take a booking off the day; refused once something has happened with its guest',
    params: dateAndId,
    body: z.strictObject({ version }),
    reply: z.object({ cancelled: z.string() }),
    refusals: [404, 409],
  }),
  previewImport: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/preview',
    summary: 'What importing a CSV booking list would do',
    params: date,
    body: z.strictObject({ csv: z.string() }),
    reply: importPreview,
    refusals: [404, 422],
  }),
  importBookings: endpoint({
    method: 'post',
    path: '/api/days/:date/bookings/import',
    summary: 'Import the good rows of a CSV booking list',
    params: date,
    body: z.strictObject({ csv: z.string() }),
    reply: z.object({
      added: z.number().int(),
      changed: z.number().int(),
      unchanged: z.number().int(),
      faulty: z.number().int(),
    }),
    refusals: [404, 422],
  }),
  listPlans: endpoint({
    method: 'get',
    path: '/api/days/:date/plans',
    summary: 'The accepted plans of a day, newest first',
    params: date,
    reply: z.object({ revisions: z.array(planRevision) }),
    refusals: [404],
  }),
  readPlan: endpoint({
    method: 'get',
    path: '/api/days/:date/plans/:revision',
    summary: 'An accepted plan',
    params: z.strictObject({ ...date.shape, revision: z.coerce.number().int().min(1) }),
    reply: z.object({ revision: planRevision, plan: planFile }),
    refusals: [404],
  }),
  acceptPlan: endpoint({
    method: 'post',
    path: '/api/days/:date/plans',
    summary: 'Accept a plan as the next revision; refused where it breaks a rule, unless the manager decides otherwise',
    params: date,
    body: acceptPlan,
    reply: planRevision,
    status: 201,
    refusals: [404, 409, 422],
  }),
  startPlanning: endpoint({
    method: 'post',
    path: '/api/days/:date/planning',
    summary: 'Look for a plan, beside all other work; progress and end are streamed',
    params: date,
    body: startPlanning,
    reply: planJob,
    status: 202,
    refusals: [404, 409],
  }),
  readPlanning: endpoint({
    method: 'get',
    path: '/api/days/:date/planning',
    summary: 'The plan that is being looked for or was found last',
    params: date,
    reply: z.object({ job: planJob.nullable() }),
    refusals: [404],
  }),
  stopPlanning: endpoint({
    method: 'post',
    path: '/api/days/:date/planning/stop',
    summary: 'End the search and keep the best plan so far',
    params: date,
    reply: z.object({ stopping: z.boolean() }),
    refusals: [404],
  }),
  dropPlanning: endpoint({
    method: 'post',
    path: '/api/days/:date/planning/drop',
    summary: 'Drop the proposal, or the search for one',
    params: date,
    reply: z.object({ dropped: z.boolean() }),
    refusals: [404],
  }),
  applyMend: endpoint({
    method: 'post',
    path: '/api/days/:date/drives/:id/mends',
    summary: 'Make such a change, and accept the plan in which the drive has its place',
    params: dateAndId,
    body: z.strictObject({ author, change: mendChange }),
    reply: planRevision,
    status: 201,
    refusals: [404, 409],
  }),
  findPlaces: endpoint({
    method: 'post',
    path: '/api/days/:date/places',
    summary: 'Places for one more drive of a guest, with what each costs and the price',
    params: date,
    body: oneMoreDrive,
    reply: offeredPlaces,
    refusals: [404, 409],
  }),
  takePlace: endpoint({
    method: 'post',
    path: '/api/days/:date/places/take',
    summary: 'Add the drive to the booking at one of the places offered, and accept the plan with it',
    params: date,
    body: takePlace,
    reply: planRevision,
    status: 201,
    refusals: [404, 409, 422],
  }),
  appendEntry: endpoint({
    method: 'post',
    path: '/api/days/:date/journal',
    summary: 'Append an entry to the journal; an entry sent twice is recorded once, an impossible one refused',
    params: date,
    body: journalEntry,
    reply: recordedEntry,
    status: 201,
    refusals: [404, 409],
  }),
  listDevices: endpoint({
    method: 'get',
    path: '/api/devices',
    summary: 'Timing loops and trackers, and how they are',
    reply: z.object({ devices: z.array(device) }),
  }),
  addDevice: endpoint({
    method: 'post',
    path: '/api/devices',
    summary: 'Add a device; the reply holds its key, which is not shown again',
    body: newDevice,
    reply: z.object({ device, key: z.string() }),
    status: 201,
    refusals: [409],
  }),
  removeDevice: endpoint({
    method: 'delete',
    path: '/api/devices/:id',
    summary: 'Remove a device: nothing more is taken from it',
    params: id,
    reply: z.object({ removed: z.string() }),
    refusals: [404],
  }),
  listCars: endpoint({
    method: 'get',
    path: '/api/cars',
    summary: 'The fleet',
    reply: z.object({ cars: z.array(storedCar) }),
  }),
  addCar: endpoint({
    method: 'post',
    path: '/api/cars',
    summary: 'Add a car',
    body: carFields,
    reply: storedCar,
    status: 201,
    refusals: [409],
  }),
  changeCar: endpoint({
    method: 'put',
    path: '/api/cars/:id',
    summary: 'Change a car',
    params: id,
    body: z.strictObject({ version, fields: carFields }),
    reply: storedCar,
    refusals: [404, 409],
  }),
  listInstructors: endpoint({
    method: 'get',
    path: '/api/instructors',
    summary: 'The crew',
    reply: z.object({ instructors: z.array(storedInstructor) }),
  }),
  addInstructor: endpoint({
    method: 'post',
    path: '/api/instructors',
    summary: 'Add an instructor',
    body: instructorFields,
    reply: storedInstructor,
    status: 201,
    refusals: [409],
  }),
  changeInstructor: endpoint({
    method: 'put',
    path: '/api/instructors/:id',
    summary: 'Change an instructor',
    params: id,
    body: z.strictObject({ version, fields: instructorFields }),
    reply: storedInstructor,
    refusals: [404, 409],
  }),
  listFaults: endpoint({
    method: 'get',
    path: '/api/faults',
    summary: "The venue's own faults, and its own words for the common ones",
    reply: z.object({ faults: z.array(storedFault) }),
  }),
  addFault: endpoint({
    method: 'post',
    path: '/api/faults',
    summary: 'Add a fault, or own words for a common one (by its id)',
    body: faultEntry,
    reply: storedFault,
    status: 201,
    refusals: [409, 422],
  }),
  changeFault: endpoint({
    method: 'put',
    path: '/api/faults/:id',
    summary: "Change a fault of the venue's",
    params: id,
    body: z.strictObject({ version, fields: faultEntry }),
    reply: storedFault,
    refusals: [404, 409, 422],
  }),
  removeFault: endpoint({
    method: 'delete',
    path: '/api/faults/:id',
    summary: 'Go back to the common words for a fault; one that only the venue has is retired instead',
    params: id,
    reply: z.object({ removed: z.string() }),
    refusals: [404, 409],
  }),
  readRoster: endpoint({
    method: 'get',
    path: '/api/roster/:date',
    summary: 'Shifts and absences of the six weeks from a day on; reasons are for the manager alone',
    params: date,
    reply: z.object({ entries: z.array(storedRosterEntry) }),
  }),
  putRosterEntry: endpoint({
    method: 'put',
    path: '/api/roster/entries/:id',
    summary: 'Enter a shift or an absence (version 0), or change one; the same again changes nothing',
    params: z.strictObject({ id: rosterEntry.shape.id }),
    body: z.strictObject({ version: z.number().int().min(0), fields: rosterEntry }),
    reply: storedRosterEntry,
    refusals: [404, 409],
  }),
  removeRosterEntry: endpoint({
    method: 'delete',
    path: '/api/roster/entries/:id',
    summary: 'Take a shift or an absence out of the roster',
    params: z.strictObject({ id: rosterEntry.shape.id }),
    reply: z.object({ removed: z.string() }),
    refusals: [404],
  }),
  previewRoster: endpoint({
    method: 'post',
    path: '/api/roster/preview',
    summary: 'What taking in a calendar file (iCalendar) would do',
    body: z.strictObject({ ical: z.string() }),
    reply: rosterPreview,
    refusals: [422],
  }),
  importRoster: endpoint({
    method: 'post',
    path: '/api/roster/import',
    summary: 'Take in what is good of a calendar file; events without fault, all or none',
    body: z.strictObject({ ical: z.string() }),
    reply: rosterPreview,
    refusals: [422],
  }),
  readManager: endpoint({
    method: 'get',
    path: '/api/manager',
    summary: 'Whether the manager has a code and this browser is let in',
    reply: managerDoor,
  }),
  setManagerCode: endpoint({
    method: 'put',
    path: '/api/manager/code',
    summary: "Set the manager's code: the first one by whoever comes first, then by the manager only",
    body: managerCode,
    reply: managerDoor,
    refusals: [403],
  }),
  openManager: endpoint({
    method: 'post',
    path: '/api/manager/open',
    summary: 'Let this browser in by the code, for twelve hours',
    body: managerCode,
    reply: managerDoor,
    refusals: [403, 429],
  }),
  closeManager: endpoint({
    method: 'post',
    path: '/api/manager/close',
    summary: 'Let this browser out again',
    reply: managerDoor,
  }),
  readPairings: endpoint({
    method: 'get',
    path: '/api/days/:date/guests/:id/pairings',
    summary: 'Why a guest should have an instructor, or should not (manager only)',
    params: dateAndId,
    reply: z.object({ reasons: z.array(pairingReason) }),
    refusals: [403, 404],
  }),
  changePairings: endpoint({
    method: 'put',
    path: '/api/days/:date/guests/:id/pairings',
    summary: 'Write down why (manager only); what is not in the list is taken away',
    params: dateAndId,
    body: z.strictObject({ reasons: z.array(pairingReason).max(20) }),
    reply: z.object({ reasons: z.array(pairingReason) }),
    refusals: [403, 404],
  }),
  readTeaching: endpoint({
    method: 'get',
    path: '/api/instructors/:id/teaching',
    summary: 'What the guests of an instructor gained, beside the whole crew (manager only)',
    params: id,
    reply: z.object({ own: z.array(teachingDrive), crew: z.array(teachingDrive.omit({ faults: true })) }),
    refusals: [403, 404],
  }),
} as const satisfies Record<string, Endpoint>;

/** What a handler or a caller gives and gets, inside the core (decoded). */
export type ParamsOf<E extends Endpoint> = E['params'] extends z.ZodType ? z.output<E['params']> : undefined;
export type BodyOf<E extends Endpoint> = E['body'] extends z.ZodType ? z.output<E['body']> : undefined;
export type ReplyOf<E extends Endpoint> = z.output<E['reply']>;
