import { isLow, tankOf } from '../garage/at-start';
import * as z from 'zod';
import { cents, fact, money, factOf } from '../../values';
import {
  effectiveEntries,
  lapsOwed,
  moneyMeans,
  type DayContext,
  type DayState,
  type JournalEntry,
  type RecordedEntry,
} from '../../journal';
import type { ToDo } from './to-do';

/** A figure of the day's close: what it is, how much, and the entries it is made of. */
const closeFigure = z.object({
  key: z.enum([
    'drivesSold',
    'drivesDone',
    'lapsDriven',
    'lapsOwed',
    'guests',
    'noShows',
    'carsUsed',
    'crewHours',
    'waitMedian',
    'wait90',
    'waitWorst',
    'waitBeyond',
    'incidents',
    'interventions',
    'faultsOpen',
    'fuelUsed',
    'moneyTaken',
    'moneyDue',
    'moneyCash',
    'moneyCard',
    'moneyVoucher',
  ]),
  unit: z.enum(['', 'min', 'h', 'l', 'money']),
  value: z.number(),
  /** As it was planned, where there is a plan for it. */
  planned: z.number().optional(),
  /** Ids of entries. */
  entries: z.array(z.string()),
});
export type CloseFigure = z.output<typeof closeFigure>;

/** A figure as people read it; nothing where there is none. */
export function figureText({ unit }: Pick<CloseFigure, 'unit'>, value: number | undefined, currency: string): string {
  if (value === undefined) return '';
  if (unit === 'money') return money(Math.round(value), currency);
  return `${value.toFixed(unit === 'h' ? 1 : 0)} ${unit}`.trim();
}

export const dayClose = z.object({
  date: z.iso.date(),
  figures: z.array(closeFigure),
  toDo: z.array(factOf<ToDo>()),
});
export type DayClose = z.output<typeof dayClose>;

export interface CloseSource {
  readonly context: DayContext;
  readonly state: DayState;
  readonly entries: readonly RecordedEntry[];
  /** Of each booking, in the venue's currency. */
  readonly money: readonly { readonly guest: string; readonly price: number; readonly paid: number }[];
}

type Found = Omit<CloseFigure, 'entries'> & { readonly entries: readonly JournalEntry[] };

const MEANS_KEY = { cash: 'moneyCash', card: 'moneyCard', voucher: 'moneyVoucher' } as const;

/** What came in on a day, by how it did; only where something came in that way. */
export function receivedByMeans(happened: readonly JournalEntry[]) {
  return moneyMeans.options.flatMap((means) => {
    const entries = happened.flatMap((entry) =>
      entry.kind === 'moneyReceived' && entry.means === means ? [entry] : [],
    );
    const value = cents(entries.reduce((sum, { amount }) => sum + amount, 0));
    return entries.length > 0 ? [{ means, value, entries }] : [];
  });
}

/** The day in figures, each with the entries behind it. */
export function closeOfDay({ context, state, entries, money }: CloseSource): DayClose {
  const happened = effectiveEntries(entries);
  const of = (...kinds: JournalEntry['kind'][]) => happened.filter(({ kind }) => kinds.includes(kind));
  // What was booked and paid before, and what was sold and taken on the day.
  const accounts = money.map(({ guest, price, paid }) => {
    const { received = 0, sold = 0 } = state.guests.get(guest) ?? {};
    return { guest, price: price + sold, paid: paid + received };
  });
  const drives = [...state.drives.values()];
  const done = drives.filter(({ stage }) => stage === 'parked' || stage === 'done');
  const owed = drives.map((drive) => ({ drive, laps: lapsOwed(context, state, drive) })).filter(({ laps }) => laps > 0);
  const crossings = done.reduce((sum, { crossings: laps }) => sum + laps.length, 0);
  const plannedLaps = context.schedule.drives.reduce((sum, { lapsDriven }) => sum + lapsDriven, 0);
  const waits = waitsOf(context, happened);
  const [minutes, booked] = [
    sorted(waits.map(({ waitedS }) => waitedS)),
    sorted(waits.map(({ plannedS }) => plannedS)),
  ];
  const at = (share: number, of = minutes) => of[Math.min(of.length - 1, Math.floor(share * of.length))] ?? 0;
  /** What the plan had not: pauses that were booked are no waiting. */
  const beyond = waits.map(({ waitedS, plannedS }) => Math.max(0, waitedS - plannedS) / 60);
  const mostBeyond = Math.max(0, ...beyond);
  const long = waits.filter(({ waitedS }) => waitedS / 60 >= at(0.9));
  const seatS = done.reduce(
    (sum, { seatedS, debriefedS, parkedS }) => sum + ((debriefedS ?? parkedS ?? 0) - (seatedS ?? 0)),
    0,
  );
  const usedCars = new Set(done.map(({ car }) => car));
  const openFaults = [...state.garage.cars.values()].flatMap(({ faults }) =>
    faults.filter(({ repairedS }) => repairedS === undefined),
  );
  const fuelL = [...state.cars.values()].reduce((sum, { laps, car }) => sum + laps * car.fuel.perLapL, 0);
  const came = [...state.guests.values()].filter(({ arrivedS }) => arrivedS !== undefined);
  const gone = [...state.guests.values()].filter(({ gone: how }) => how === 'noShow');
  const figures: Found[] = [
    { key: 'drivesSold', unit: '', value: drives.length, planned: context.schedule.drives.length, entries: [] },
    { key: 'drivesDone', unit: '', value: done.length, planned: context.schedule.drives.length, entries: of('parked') },
    { key: 'lapsDriven', unit: '', value: crossings, planned: plannedLaps, entries: of('lapCounted', 'lineCrossed', 'lapsSettled') },
    { key: 'lapsOwed', unit: '', value: owed.reduce((sum, { laps }) => sum + laps, 0), entries: of('brokenOff') },
    { key: 'guests', unit: '', value: came.length, planned: context.day.guests.length, entries: of('guestArrived') },
    { key: 'noShows', unit: '', value: gone.length, entries: of('guestNoShow') },
    { key: 'carsUsed', unit: '', value: usedCars.size, planned: new Set(context.schedule.drives.map(({ planned }) => planned.car)).size, entries: of('released') },
    { key: 'crewHours', unit: 'h', value: seatS / 3600, planned: context.schedule.drives.reduce((sum, { startS, endS }) => sum + endS - startS, 0) / 3600, entries: of('seated', 'debriefed') },
    { key: 'waitMedian', unit: 'min', value: at(0.5), planned: at(0.5, booked), entries: waits.map(({ until }) => until) },
    { key: 'wait90', unit: 'min', value: at(0.9), planned: at(0.9, booked), entries: long.map(({ until }) => until) },
    { key: 'waitWorst', unit: 'min', value: minutes.at(-1) ?? 0, planned: booked.at(-1) ?? 0, entries: waits.filter(({ waitedS }) => waitedS / 60 === minutes.at(-1)).map(({ until }) => until) },
    { key: 'waitBeyond', unit: 'min', value: mostBeyond, entries: waits.filter((_, place) => mostBeyond > 0 && beyond[place] === mostBeyond).map(({ until }) => until) },
    { key: 'incidents', unit: '', value: state.incidents.length, entries: of('incident') },
    { key: 'interventions', unit: '', value: drives.reduce((sum, { interventions }) => sum + interventions.length, 0), entries: of('intervened') },
    { key: 'faultsOpen', unit: '', value: openFaults.length, entries: of('faultFound').filter(({ id }) => openFaults.some((fault) => fault.id === id)) },
    { key: 'fuelUsed', unit: 'l', value: fuelL, entries: of('refuelEnded', 'fuelRead') },
    { key: 'moneyTaken', unit: 'money', value: accounts.reduce((sum, { paid }) => sum + paid, 0), planned: accounts.reduce((sum, { price }) => sum + price, 0), entries: of('moneyReceived') },
    { key: 'moneyDue', unit: 'money', value: accounts.reduce((sum, { price, paid }) => sum + Math.max(0, price - paid), 0), entries: [] },
    ...receivedByMeans(happened).map(({ means, value, entries }): Found => ({ key: MEANS_KEY[means], unit: 'money', value, entries })),
  ]; // prettier-ignore
  return {
    date: context.day.date,
    figures: figures.map(({ entries: found, ...figure }) => ({ ...figure, entries: found.map(({ id }) => id) })),
    toDo: toDoOf(state, owed, accounts),
  };
}

/** Seconds as minutes, the shortest first. */
const sorted = (seconds: readonly number[]) => seconds.map((s) => s / 60).sort((a, b) => a - b);

/** From the end of what a guest was planned for before a drive to its beginning, in the plan as it was accepted. */
function plannedWait({ accepted }: DayContext, guest: string, drive: string): number {
  const own = accepted.guestOccupancies.get(guest) ?? [];
  const place = own.findIndex((one) => one.kind === 'drive' && one.planned.drive === drive);
  return place < 1 ? 0 : Math.max(0, own[place]!.startS - own[place - 1]!.endS);
}

/**
 * How long guests waited, after the sighting run or the debrief of a drive, until they were seated; and how long of it was
 * planned so.
 */
function waitsOf(
  context: DayContext,
  happened: readonly JournalEntry[],
): { waitedS: number; plannedS: number; until: JournalEntry }[] {
  const since = new Map<string, number>();
  const runs = new Map<string, readonly string[]>();
  const waits: { waitedS: number; plannedS: number; until: JournalEntry }[] = [];
  const guestOf = (drive: string) => context.schedule.index.drives.get(drive)?.guest.id;
  for (const entry of happened) {
    if (entry.kind === 'sightingBegan') runs.set(entry.vehicle, entry.guests);
    if (entry.kind === 'sightingEnded') for (const guest of runs.get(entry.vehicle) ?? []) since.set(guest, entry.at);
    if (entry.kind !== 'seated' && entry.kind !== 'debriefed') continue;
    const guest = guestOf(entry.drive);
    const from = guest === undefined ? undefined : since.get(guest);
    if (entry.kind === 'seated' && guest !== undefined && from !== undefined) {
      waits.push({ waitedS: entry.at - from, plannedS: plannedWait(context, guest, entry.drive), until: entry });
    }
    if (entry.kind === 'debriefed' && guest !== undefined) since.set(guest, entry.at);
  }
  return waits;
}

function toDoOf(
  state: DayState,
  owed: readonly { readonly drive: { readonly guest: { readonly id: string } }; readonly laps: number }[],
  money: CloseSource['money'],
): ToDo[] {
  const due = money.filter(({ price, paid }) => price > paid);
  const cars = [...state.cars.values()];
  return [
    ...owed.map(({ drive, laps }) => fact('lapsOwed', { guest: drive.guest.id }, { laps })),
    ...cars.flatMap(({ car, heldFor }) =>
      heldFor === undefined ? [] : [fact('outOfService', { car: car.id }, { reason: heldFor })],
    ),
    ...[...state.garage.cars].flatMap(([car, { faults }]) =>
      faults
        .filter(({ repairedS, severity }) => repairedS === undefined && severity !== 'note')
        .map(({ where, what }) => fact('faultOpen', { car }, { where, what })),
    ),
    ...cars.flatMap((car) => (isLow(tankOf(state, car), car.car) ? [fact('needsFuel', { car: car.car.id })] : [])),
    ...[...state.garage.cones].flatMap(([cone, { doubt }]) =>
      doubt === undefined ? [] : [fact('coneDoubted', {}, { cone, doubt })],
    ),
    ...(due.length > 0 ? [fact('balancesDue', {}, { guests: due.length })] : []),
    ...state.incidents.flatMap(({ followUp }) => (followUp ? [fact('followUp', {}, { text: followUp })] : [])),
  ];
}
